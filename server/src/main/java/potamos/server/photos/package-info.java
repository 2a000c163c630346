/** Photos of a batch: drawn anew, small enough for a record, and kept beside it. */
package potamos.server.photos;
