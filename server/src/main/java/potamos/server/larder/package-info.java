/** The larder: boxes that came in, what is left of them, and which batch took what. */
package potamos.server.larder;
