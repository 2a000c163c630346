/** Where things came from and where they went: from a supplier's lot to whoever was handed what, and back. */
package potamos.server.trace;
