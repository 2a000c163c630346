/** Probes and scales that report by themselves. */
package potamos.server.devices;
