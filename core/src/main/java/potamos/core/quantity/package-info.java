/**
 * Values with their units: masses, volumes, lengths, temperatures, and how sure we are of them. Kitchen-metric inside (kg, L, cm, °C); US customary
 * units exist only at the edges and convert exactly.
 */
package potamos.core.quantity;
