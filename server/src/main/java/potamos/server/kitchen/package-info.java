/** The kitchen: its place, its equipment, its limits, its stations. */
package potamos.server.kitchen;
