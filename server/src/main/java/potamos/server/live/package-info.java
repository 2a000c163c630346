/** Telling every screen what changed, from the change log that all instances share. */
package potamos.server.live;
