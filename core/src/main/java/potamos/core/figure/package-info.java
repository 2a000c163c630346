/** Figures by name: how values of the core cross a wire, with their quantity and the range in which they make sense. */
package potamos.core.figure;
