/** Calculations for other programs: everything inline, nothing stored, with a token of the kitchen's. */
package potamos.server.calc;
