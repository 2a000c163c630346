/** Measures, outside the tests: how long the core takes, and how the server answers with many screens open. */
package potamos.bench;
