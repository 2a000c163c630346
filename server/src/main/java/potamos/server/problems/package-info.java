/** What goes wrong, said as problem details (RFC 9457) with the field, the reason and the range. */
package potamos.server.problems;
