/** A better course than the core lays by itself, where there is time to look for one, and how far from the best it can be. */
package potamos.course;
