package potamos.server.courses;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.OneAtATime;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What the people of a kitchen hold of their course where it is. Everybody sees the same, and every change can be taken back. */
@Service
class HeldCourse {

    static final int LONGEST_ID = 40;

    private static final int MOST_STEPS = 100;
    private static final int MOST_DRAFTS = 200;
    private static final int MOST_ASIDE = 500;
    private static final TypeReference<List<Draft>> DRAFTS = new TypeReference<>() {};
    private static final TypeReference<Set<String>> IDS = new TypeReference<>() {};

    private final HeldMapper mapper;
    private final OneAtATime oneAtATime;
    private final Changes changes;
    private final KitchenClock clock;
    private final JsonMapper json;

    HeldCourse(HeldMapper mapper, OneAtATime oneAtATime, Changes changes, KitchenClock clock, JsonMapper json) {
        this.mapper = mapper;
        this.oneAtATime = oneAtATime;
        this.changes = changes;
        this.clock = clock;
        this.json = json;
    }

    /** A batch that is held: in which vessel and when, whatever is laid beside it. */
    record Draft(
            @NotNull @Size(max = LONGEST_ID) String id,
            @NotNull @Size(max = 60) String formula,
            double litres,
            @NotNull @Size(max = 36) String vesselId,
            @Size(max = 36) String burnerId,
            @NotNull Instant start) {
        Draft {
            Refusal.unlessWithin("litres", litres, 0.25, 500, "L");
            if (id.isEmpty() || id.length() > LONGEST_ID) {
                throw Refusal.outside("id", "too short or too long", 1, LONGEST_ID, "characters");
            }
        }
    }

    /**
     * What people want of the course.
     *
     * @param drafts that are held where they are
     * @param aside  calls that are not to be laid, by id
     */
    record Wishes(List<Draft> drafts, Set<String> aside) {
        static final Wishes NONE = new Wishes(List.of(), Set.of());

        Wishes {
            drafts = List.copyOf(drafts);
            aside = Set.copyOf(aside);
            if (drafts.size() > MOST_DRAFTS) {
                throw Refusal.of("drafts", "at most " + MOST_DRAFTS + " batches are held");
            }
            if (aside.size() > MOST_ASIDE) {
                throw Refusal.of("aside", "at most " + MOST_ASIDE + " calls are set aside");
            }
        }

        /** With these held, and no others. */
        Wishes holding(List<Draft> others) {
            return new Wishes(others, aside);
        }

        /** With one batch in place of what had its id. */
        Wishes with(Draft one) {
            return holding(Stream.concat(without(Set.of(one.id())).drafts().stream(), Stream.of(one))
                    .toList());
        }

        Wishes without(Set<String> ids) {
            return holding(
                    drafts.stream().filter(draft -> !ids.contains(draft.id())).toList());
        }

        /** With these calls not to be laid, and no others. */
        Wishes leaving(Set<String> calls) {
            return new Wishes(drafts, calls);
        }

        /**
         * With a call laid like any other again.
         *
         * @param call by id; null for none
         */
        Wishes asking(String call) {
            return leaving(aside.stream().filter(id -> !id.equals(call)).collect(Collectors.toSet()));
        }
    }

    /**
     * What is held.
     *
     * @param version  to name with the next change
     * @param canUndo  whether there is a step before this one
     * @param canRedo  whether there is one that was taken back
     */
    record Held(int version, Wishes wishes, boolean canUndo, boolean canRedo) {
        /** Those that are held, by id. */
        Set<String> ids() {
            return wishes.drafts().stream().map(Draft::id).collect(Collectors.toSet());
        }

        /** @throws Conflict when it is not what somebody has seen */
        void unlessSeen(int seen) {
            unlessAt(version, seen);
        }
    }

    Held of(String kitchenId) {
        HeldMapper.At at = at(kitchenId);
        return new Held(at.version(), wishes(kitchenId, at.step()), at.step() > at.first(), at.step() < at.last());
    }

    private HeldMapper.At at(String kitchenId) {
        return mapper.at(kitchenId).orElse(HeldMapper.At.BEGINNING);
    }

    private Wishes wishes(String kitchenId, int step) {
        return mapper.step(kitchenId, step)
                .map(row -> new Wishes(json.readValue(row.drafts(), DRAFTS), json.readValue(row.aside(), IDS)))
                .orElse(Wishes.NONE);
    }

    /**
     * Changes what is held.
     *
     * @param version that the change was made to
     * @throws Conflict when somebody changed it meanwhile
     */
    @Transactional
    public void change(Person person, int version, UnaryOperator<Wishes> change) {
        HeldMapper.At at = hold(person, version);
        Wishes after = change.apply(wishes(person.kitchenId(), at.step()));
        if (mapper.step(person.kitchenId(), 0).isEmpty() && at.step() == 0) {
            // What was there before the first change can be gone back to.
            write(person, 0, Wishes.NONE);
        }
        int next = at.step() + 1;
        mapper.forget(person.kitchenId(), next, next - MOST_STEPS);
        write(person, next, after);
        done(person, next);
    }

    /** Takes the latest change back, or back again. */
    @Transactional
    public void step(Person person, int version, boolean back) {
        HeldMapper.At at = hold(person, version);
        int next = at.step() + (back ? -1 : 1);
        if (next < at.first() || next > at.last()) {
            throw new Conflict("version", back ? "There is nothing to take back." : "There is nothing to do again.");
        }
        done(person, next);
    }

    /** Some have become batches: they are held no longer, and nothing goes back to before that. */
    void became(Person person, Set<String> ids) {
        oneAtATime.hold(person.kitchenId());
        HeldMapper.At at = at(person.kitchenId());
        Wishes left = wishes(person.kitchenId(), at.step()).without(ids);
        mapper.forget(person.kitchenId(), 0, 0);
        write(person, 0, left);
        done(person, 0);
    }

    private HeldMapper.At hold(Person person, int version) {
        person.require(Right.PLAN);
        oneAtATime.hold(person.kitchenId());
        HeldMapper.At at = at(person.kitchenId());
        unlessAt(at.version(), version);
        return at;
    }

    /** @throws Conflict when it is not the version that somebody has seen */
    private static void unlessAt(int version, int seen) {
        if (version != seen) {
            throw new Conflict("version", "Somebody changed the course meanwhile. It is shown as it is now.");
        }
    }

    private void write(Person person, int step, Wishes wishes) {
        HeldMapper.Step row =
                new HeldMapper.Step(json.writeValueAsString(wishes.drafts()), json.writeValueAsString(wishes.aside()));
        mapper.insert(person.kitchenId(), step, row, person.id(), clock.instant());
    }

    private void done(Person person, int step) {
        mapper.goTo(person.kitchenId(), step);
        changes.note(person.kitchenId(), "course", "");
    }
}
