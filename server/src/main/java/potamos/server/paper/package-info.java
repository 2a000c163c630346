/** Ink on paper: what labels and sheets are drawn with. */
package potamos.server.paper;
