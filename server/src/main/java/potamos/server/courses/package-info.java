/** The course of a kitchen: what is open of its calls, laid over its days beside what is under way and what stands on the shelf. */
package potamos.server.courses;
