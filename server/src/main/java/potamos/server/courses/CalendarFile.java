package potamos.server.courses;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.Collectors;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Status;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import potamos.core.batch.Timeline;
import potamos.core.course.Day;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;
import potamos.server.paper.Words;
import potamos.server.stations.Calls;

/** The course as a calendar (RFC 5545): a batch from its start until it is ready, a call at its hour. What is only drafted is tentative. */
final class CalendarFile {

    private static final Duration A_CALL = Duration.ofMinutes(15);

    private final Calendar calendar = new Calendar();
    private final PaperUnits units;
    private final ZoneId zone;

    CalendarFile(String units, ZoneId zone) {
        this.units = PaperUnits.of(units);
        this.zone = zone;
        calendar.add(new ProdId("-//Potamos//Course//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
    }

    void batch(String id, String stock, double litres, String vessel, Timeline timeline, boolean accepted) {
        if (timeline.steps().isEmpty()) {
            return;
        }
        String stages = timeline.steps().stream()
                .map(step -> PaperWords.CLOCK.format(step.from().atZone(zone)) + " " + Words.ENGLISH.of(step.stage()))
                .collect(Collectors.joining("\n"));
        VEvent event = event(
                "batch-" + id,
                timeline.start(),
                timeline.ready(),
                stock + ", " + units.litres(litres) + " in " + vessel,
                accepted);
        event.add(new Location(vessel));
        event.add(new Description(stages));
        event.add(ImmutableTransp.TRANSPARENT);
    }

    /** Somebody looks in on a pot while nobody is there. */
    void look(Day.Look look) {
        Day.Pot pot = look.pot();
        String id = "look-" + look.at().getEpochSecond() + "-" + pot.vessel().replaceAll("\\W", "");
        event(id, look.at(), look.at().plus(A_CALL), "Look in on " + pot.vessel() + ", " + pot.stock(), true)
                .add(new Location(pot.vessel()));
    }

    /** @param comes what its station was told of how it comes, where that is otherwise than asked */
    void call(Calls.Call call, List<String> comes) {
        VEvent event = event(
                "call-" + call.id(),
                call.readyBy(),
                call.readyBy().plus(A_CALL),
                call.stationName() + ": " + units.litres(call.litres()) + " " + call.formulaName(),
                call.status() == Calls.Status.PLANNED);
        event.add(new Location(call.stationName()));
        if (!comes.isEmpty()) {
            event.add(new Description(String.join("\n", comes)));
        }
    }

    /** Litres at a moment, as a line of words. */
    String comes(Calls.Comes comes) {
        return units.litres(comes.litres()) + " at "
                + PaperWords.DAY.format(comes.at().atZone(zone)) + " "
                + PaperWords.CLOCK.format(comes.at().atZone(zone));
    }

    private VEvent event(String id, Instant from, Instant to, String summary, boolean sure) {
        VEvent event = new VEvent(from, to, summary);
        event.add(new Uid(id + "@potamos"));
        event.add(new Status(sure ? Status.VALUE_CONFIRMED : Status.VALUE_TENTATIVE));
        calendar.add(event);
        return event;
    }

    @Override
    public String toString() {
        return calendar.toString();
    }
}
