/** When things have to start so that litres are ready in time. */
package potamos.core.schedule;
