/** The kitchen's formulas, in versions. */
package potamos.server.formulas;
