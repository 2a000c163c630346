/** Readings of devices: how they are thinned with age, and what a probe in a pot would say. */
package potamos.core.probe;
