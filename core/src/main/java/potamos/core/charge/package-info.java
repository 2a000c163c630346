/** From a formula, a vessel and a goal to quantities, levels and litres out, solved in any direction. */
package potamos.core.charge;
