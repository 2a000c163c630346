/** Charges solved and plans proposed, before anything is accepted. */
package potamos.server.charges;
