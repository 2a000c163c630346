package potamos.server.formulas;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.OneAtATime;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Formulas of a kitchen, in versions: an edit makes the next one, and a batch keeps the one that it ran. */
@Service
public class Formulas {

    private static final int MOST_FORMULAS = 200;
    private static final int LONGEST_NOTE = 300;

    private final FormulaMapper mapper;
    private final OneAtATime oneAtATime;
    private final Json json;
    private final KitchenClock clock;
    private final Changes changes;

    /** By what is written: a finger that drags asks for the same formula twenty times a second. */
    private final Cache<String, Formula> read =
            Caffeine.newBuilder().maximumSize(MOST_FORMULAS).build();

    Formulas(FormulaMapper mapper, OneAtATime oneAtATime, Json json, KitchenClock clock, Changes changes) {
        this.mapper = mapper;
        this.oneAtATime = oneAtATime;
        this.json = json;
        this.clock = clock;
        this.changes = changes;
    }

    /** A formula on the shelf. */
    public record Shelved(Formula formula, boolean retired) {}

    /** A version of a formula: who made it, when, and why; nobody for the book's own. */
    public record Version(int version, String name, Instant savedAt, String savedBy, String note) {}

    /** Gives a new kitchen its copy of the book. */
    public void stock(String kitchenId) {
        for (Formula formula : Book.formulas()) {
            insert(kitchenId, formula, null, null, "");
        }
    }

    /** The latest version of each that is in use. */
    public List<Formula> all(String kitchenId) {
        return shelf(kitchenId).stream()
                .filter(shelved -> !shelved.retired())
                .map(Shelved::formula)
                .toList();
    }

    /** The latest version of each, the retired ones too. */
    public List<Shelved> shelf(String kitchenId) {
        Set<String> retired = new HashSet<>(mapper.retired(kitchenId));
        return mapper.latest(kitchenId).stream()
                .map(row -> new Shelved(read(row), retired.contains(row.slug())))
                .toList();
    }

    /** The latest version of one. */
    public Formula of(String kitchenId, String slug) {
        return mapper.bySlug(kitchenId, slug).map(this::read).orElseThrow(() -> new NotFound("formula"));
    }

    /** One version of one. */
    public Formula version(String kitchenId, String slug, int version) {
        return mapper.version(kitchenId, slug, version)
                .map(this::read)
                .orElseThrow(() -> new NotFound("version of this formula"));
    }

    /** All versions of one, latest first. */
    public List<Version> versions(String kitchenId, String slug) {
        return mapper.versions(kitchenId, slug).stream()
                .map(v -> new Version(v.version(), v.name(), v.savedAt(), v.savedByName(), v.note()))
                .toList();
    }

    public boolean retired(String kitchenId, String slug) {
        return mapper.retired(kitchenId).contains(slug);
    }

    /**
     * A new formula, as version 1.
     *
     * @throws Conflict on {@code slug} when there is one of that name
     */
    @Transactional
    public Formula add(Person person, Formula formula, String note) {
        person.require(Right.SET_UP);
        oneAtATime.hold(person.kitchenId());
        if (mapper.bySlug(person.kitchenId(), formula.slug()).isPresent()) {
            throw new Conflict("slug", "There is a formula of that short name already.");
        }
        int there = mapper.latest(person.kitchenId()).size();
        if (there >= MOST_FORMULAS) {
            throw Refusal.outside("slug", "too many formulas already", 0, MOST_FORMULAS, "formulas");
        }
        return saved(person, formula.named(formula.slug(), formula.name(), 1), note);
    }

    /**
     * The next version of a formula.
     *
     * @param basedOn the version that the edit began from
     * @throws Conflict on {@code basedOn} when somebody saved another one meanwhile
     */
    @Transactional
    public Formula edit(Person person, String slug, Formula formula, int basedOn, String note) {
        person.require(Right.SET_UP);
        oneAtATime.hold(person.kitchenId());
        Formula latest = of(person.kitchenId(), slug);
        if (latest.version() != basedOn) {
            throw new Conflict(
                    "basedOn", "Version " + latest.version() + " was saved meanwhile. Look at it before saving yours.");
        }
        return saved(person, formula.named(slug, formula.name(), latest.version() + 1), note);
    }

    /** An old version again, as the next one. */
    @Transactional
    public Formula restore(Person person, String slug, int version) {
        Formula old = version(person.kitchenId(), slug, version);
        int latest = of(person.kitchenId(), slug).version();
        return edit(person, slug, old, latest, "As in version " + version);
    }

    /** Takes a formula off the shelf, or puts it back. */
    @Transactional
    public void retire(Person person, String slug, boolean retired) {
        person.require(Right.SET_UP);
        of(person.kitchenId(), slug);
        if (retired) {
            mapper.retire(person.kitchenId(), slug, clock.instant());
        } else {
            mapper.unretire(person.kitchenId(), slug);
        }
        changes.note(person.kitchenId(), "formulas", "");
    }

    private Formula saved(Person person, Formula formula, String note) {
        String words = note == null ? "" : note.trim();
        if (words.length() > LONGEST_NOTE) {
            throw Refusal.outside("note", "too long", 0, LONGEST_NOTE, "characters");
        }
        insert(person.kitchenId(), formula, person.id(), clock.instant(), words);
        changes.note(person.kitchenId(), "formulas", "");
        return formula;
    }

    private void insert(String kitchenId, Formula formula, String by, Instant at, String note) {
        mapper.insert(new FormulaMapper.FormulaRow(
                kitchenId,
                formula.slug(),
                formula.version(),
                formula.name(),
                formula.family().name(),
                json.write(formula),
                by,
                at,
                note));
    }

    private Formula read(FormulaMapper.FormulaRow row) {
        return read.get(row.formula(), text -> json.read(text, Formula.class));
    }
}
