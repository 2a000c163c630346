/** Water, steam and fire: boiling points, evaporation, and the heat balance of a pot. */
package potamos.core.heat;
