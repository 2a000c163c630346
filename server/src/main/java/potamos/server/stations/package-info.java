/** Stations and what they ask for. */
package potamos.server.stations;
