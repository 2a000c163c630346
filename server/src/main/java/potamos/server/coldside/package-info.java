/** The cold side: lots on the shelf, their labels, and where they went. */
package potamos.server.coldside;
