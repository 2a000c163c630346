package potamos.core.cooling;

import java.time.Instant;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * A record and how it came to be what it is.
 *
 * @param all    everything that is believed now
 * @param inTime the same by what was told as it happened
 * @param past   how it stood before each of the later entries was made
 */
public record CoolingHistory(CoolingRecord all, CoolingRecord inTime, List<Past> past) {

    public CoolingHistory {
        past = List.copyOf(past);
    }

    /**
     * What was known until something was entered.
     *
     * @param until        the moment of that
     * @param amendedSince whether anything has been corrected, or taken back, from then on
     */
    public record Past(CoolingRecord record, Instant until, boolean amendedSince) {}

    /** Of readings and reheats that nobody has corrected, each with the moment at which it was entered. */
    public static CoolingHistory of(CoolingRecord all) {
        TreeSet<Instant> entered = new TreeSet<>();
        Stream.concat(all.readings().stream(), all.reheats().stream())
                .map(Reading::entered)
                .forEach(entered::add);
        List<Past> past = entered.stream()
                .map(at -> new Past(all.only(reading -> reading.entered().isBefore(at)), at, false))
                .toList();
        return new CoolingHistory(all, all.only(reading -> !reading.late()), past);
    }
}
