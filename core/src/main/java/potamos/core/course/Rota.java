package potamos.core.course;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import potamos.core.quantity.Refusal;

/**
 * When people are in the kitchen, week by week.
 *
 * @param zone  of its clocks
 * @param hours any number of them; where they overlap their cooks add up
 * @param away  what is taken off them
 * @param checks at which somebody looks in, every day on which nobody is there then
 */
public record Rota(ZoneId zone, List<Hours> hours, List<Away> away, List<LocalTime> checks) {

    /** A day more, so that a night that begins in it ends in it. */
    private static final Duration WEEK = Duration.ofDays(8);

    public Rota {
        hours = List.copyOf(hours);
        away = List.copyOf(away);
        checks = List.copyOf(checks);
    }

    /** With everybody there, and nobody who looks in. */
    public Rota(ZoneId zone, List<Hours> hours) {
        this(zone, hours, List.of(), List.of());
    }

    /** The same weeks with somebody away. */
    public Rota with(List<Away> others) {
        return new Rota(zone, hours, others, checks);
    }

    /** The same weeks with somebody who looks in at these times. */
    public Rota checkedAt(List<LocalTime> others) {
        return new Rota(zone, hours, away, others);
    }

    /** When somebody looks in between two moments, because nobody is there. */
    public List<Instant> looks(Instant from, Instant to) {
        List<Present> stretches = between(from, to);
        LocalDate last = to.atZone(zone).toLocalDate();
        return from.atZone(zone)
                .toLocalDate()
                .datesUntil(last.plusDays(1))
                .flatMap(day -> checks.stream()
                        .map(time -> day.atTime(time).atZone(zone).toInstant()))
                .filter(at -> stretches.stream()
                        .anyMatch(present ->
                                present.cooks() == 0 && !present.from().isAfter(at) && at.isBefore(present.to())))
                .sorted()
                .toList();
    }

    /**
     * The first stretch of the week that begins at a moment in which nobody is there, or looks in, for longer than may be.
     *
     * @return empty where there is none
     */
    public Optional<Present> unlooked(Instant from, Duration most) {
        Instant to = from.plus(WEEK);
        TreeSet<Instant> looks = new TreeSet<>(looks(from, to));
        for (Present present : between(from, to)) {
            Instant since = present.from();
            if (present.cooks() > 0) {
                continue;
            }
            for (Instant turn : Stream.concat(
                            looks.subSet(present.from(), true, present.to(), false).stream(), Stream.of(present.to()))
                    .toList()) {
                if (Duration.between(since, turn).compareTo(most) > 0) {
                    return Optional.of(new Present(since, turn, 0));
                }
                since = turn;
            }
        }
        return Optional.empty();
    }

    /** So many cooks fewer than the hours say, for once: 1 to 30. */
    public record Away(Instant from, Instant to, int cooks) {
        public Away {
            if (!from.isBefore(to)) {
                throw Refusal.of("to", "must come after the beginning");
            }
            Refusal.unlessWithin("cooks", cooks, 1, 30, "cooks");
        }
    }

    /**
     * Hours of some weekdays.
     *
     * @param days  on which they begin
     * @param to    when they end; on the next day where that is not after {@code from}
     * @param cooks 1 to 30
     */
    public record Hours(Set<DayOfWeek> days, LocalTime from, LocalTime to, int cooks) {
        public Hours {
            days = Set.copyOf(days);
            if (days.isEmpty()) {
                throw Refusal.of("days", "on which weekdays");
            }
            Refusal.unlessWithin("cooks", cooks, 1, 30, "cooks");
        }
    }

    /** A stretch with so many cooks there all the time; 0 where nobody is. */
    public record Present(Instant from, Instant to, int cooks) {}

    /** The same hours every day, with one cook. */
    public static Rota daily(ZoneId zone, LocalTime from, LocalTime to) {
        return new Rota(zone, List.of(new Hours(Set.of(DayOfWeek.values()), from, to, 1)));
    }

    /** Every stretch from a moment to another, with and without people, in order. */
    public List<Present> between(Instant from, Instant to) {
        List<Present> shifts = shifts(from, to);
        TreeSet<Instant> turns = new TreeSet<>(List.of(from, to));
        for (Present shift : shifts) {
            turns.add(shift.from());
            turns.add(shift.to());
        }
        away.forEach(less -> turns.addAll(List.of(less.from(), less.to())));
        List<Present> all = new ArrayList<>();
        Instant before = from;
        for (Instant turn : turns.subSet(from, false, to, true)) {
            Instant at = before;
            int cooks = shifts.stream()
                    .filter(shift -> !shift.from().isAfter(at) && shift.to().isAfter(at))
                    .mapToInt(Present::cooks)
                    .sum();
            int fewer = away.stream()
                    .filter(less -> !less.from().isAfter(at) && less.to().isAfter(at))
                    .mapToInt(Away::cooks)
                    .sum();
            int there = Math.max(0, cooks - fewer);
            Present last = all.isEmpty() ? null : all.get(all.size() - 1);
            if (last != null && last.cooks() == there) {
                all.set(all.size() - 1, new Present(last.from(), turn, there));
            } else {
                all.add(new Present(before, turn, there));
            }
            before = turn;
        }
        return all;
    }

    /** Each shift that touches the stretch, cut to it. */
    private List<Present> shifts(Instant from, Instant to) {
        List<Present> shifts = new ArrayList<>();
        LocalDate last = to.atZone(zone).toLocalDate();
        for (LocalDate day = from.atZone(zone).toLocalDate().minusDays(1); !day.isAfter(last); day = day.plusDays(1)) {
            for (Hours hour : hours) {
                if (hour.days().contains(day.getDayOfWeek())) {
                    LocalDate ends = hour.to().isAfter(hour.from()) ? day : day.plusDays(1);
                    Instant begins = day.atTime(hour.from()).atZone(zone).toInstant();
                    Instant over = ends.atTime(hour.to()).atZone(zone).toInstant();
                    if (over.isAfter(from) && begins.isBefore(to)) {
                        shifts.add(new Present(
                                begins.isBefore(from) ? from : begins, over.isAfter(to) ? to : over, hour.cooks()));
                    }
                }
            }
        }
        shifts.sort(Comparator.comparing(Present::from));
        return shifts;
    }
}
