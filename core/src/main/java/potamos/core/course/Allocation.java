package potamos.core.course;

import potamos.core.quantity.Volume;

/**
 * Litres of a lot or of a drafted batch that go to a call.
 *
 * @param from id of the lot or draft
 */
public record Allocation(String call, String from, Volume litres) {}
