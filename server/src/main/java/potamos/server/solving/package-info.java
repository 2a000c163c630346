/** Looking for better courses, one at a time: each takes the processors that the kitchen's own screens wait for. */
package potamos.server.solving;
