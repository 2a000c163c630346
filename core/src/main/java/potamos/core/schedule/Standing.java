package potamos.core.schedule;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Refusal;

/**
 * A call that comes back week by week.
 *
 * @param days  on which it is wanted; at least one
 * @param by    at which hour of the kitchen's own clock
 * @param skips days on which it is not, for once
 */
public record Standing(Set<DayOfWeek> days, LocalTime by, Set<LocalDate> skips) {

    public Standing {
        days = Set.copyOf(days);
        skips = Set.copyOf(skips);
        if (days.isEmpty()) {
            throw Refusal.of("days", "on which weekdays");
        }
    }

    /** A day on which it is wanted, and when. */
    public record Wanted(LocalDate day, Instant by) {}

    /**
     * Every time it is wanted from a moment on, as far as a day. An hour that the clocks leave out comes as much later as they are put forward; one that they
     * repeat is the first of the two.
     */
    public List<Wanted> from(Instant now, LocalDate last, ZoneId zone) {
        LocalDate today = now.atZone(zone).toLocalDate();
        return today.isAfter(last)
                ? List.of()
                : today.datesUntil(last.plusDays(1))
                        .filter(day -> days.contains(day.getDayOfWeek()) && !skips.contains(day))
                        .map(day -> new Wanted(day, day.atTime(by).atZone(zone).toInstant()))
                        .filter(wanted -> wanted.by().isAfter(now))
                        .toList();
    }

    /** Days that are left out and on which it would be wanted otherwise, from a moment on. */
    public List<LocalDate> leftOut(Instant now, LocalDate last, ZoneId zone) {
        return new Standing(days, by, Set.of())
                .from(now, last, zone).stream()
                        .map(Wanted::day)
                        .filter(skips::contains)
                        .toList();
    }

    /** The same without what was left out before a day. */
    public Standing since(LocalDate day) {
        return new Standing(
                days, by, skips.stream().filter(skip -> !skip.isBefore(day)).collect(Collectors.toSet()));
    }

    /** The same with one day left out, or with it in again. */
    public Standing skipping(LocalDate day, boolean skipped) {
        Stream<LocalDate> others = skips.stream().filter(other -> !other.equals(day));
        return new Standing(
                days,
                by,
                Stream.concat(others, Optional.of(day).filter(d -> skipped).stream())
                        .collect(Collectors.toSet()));
    }
}
