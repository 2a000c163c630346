/** Open formats: formulas as JSON and as recipes, charges as tables and sheets. */
package potamos.server.exchange;
