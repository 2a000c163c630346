/** What holds a stock and what is held: vessels to scale, the bed in them, and the exact relation of volume to level. */
package potamos.core.vessel;
