/** Batches: accepted plans, what happened to them, and the views of both. */
package potamos.server.batches;
