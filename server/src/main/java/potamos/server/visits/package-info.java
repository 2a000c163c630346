/** A visit: signing in, signing out, and what a page needs to know first. */
package potamos.server.visits;
