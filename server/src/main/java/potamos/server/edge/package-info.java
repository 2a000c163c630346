/** Where requests come in: taken in whole before a thread is given to them, and no more at once than the database can answer. */
package potamos.server.edge;
