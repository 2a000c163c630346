/**
 * The plan of a whole kitchen on one axis of time: which batches, how large, in what and when; which litres meet which call; what that breaks, and how good
 * it is. A course is checked here and nowhere else, whoever has laid it.
 */
package potamos.core.course;
