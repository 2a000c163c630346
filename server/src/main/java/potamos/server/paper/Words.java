package potamos.server.paper;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.stream.Stream;
import potamos.core.batch.DueAct;
import potamos.core.batch.Stage;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.flow.Ledger;
import potamos.core.formula.Family;
import potamos.core.liquor.Body;
import potamos.core.liquor.Clarity;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The dictionary that screens, paper and tables share, so that a thing is called the same wherever it is read. One for each language. */
public final class Words {

    public static final Words ENGLISH = new Words("en");

    /** Under which heading the constants of an enum stand. */
    static final Map<Class<? extends Enum<?>>, String> HEADINGS = Map.of(
            Stage.class, "stage",
            DueAct.Kind.class, "due",
            Ledger.Cause.class, "cause",
            Clarity.Cause.class, "clarity",
            CoolingVerdict.Outcome.class, "outcome",
            Family.class, "family",
            Body.class, "body",
            Allergen.class, "allergen",
            Caution.class, "caution");

    private final JsonNode dictionary;

    private Words(String language) {
        try (InputStream in = Words.class.getResourceAsStream("/words/" + language + ".json")) {
            this.dictionary = JsonMapper.shared().readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What a constant is called.
     *
     * @throws NoSuchElementException when it has no word
     */
    public String of(Enum<?> constant) {
        return under(HEADINGS.get(constant.getDeclaringClass()), constant.name());
    }

    /** What an entry of a record is called, by its kind. */
    public String event(String kind) {
        return under("event", kind);
    }

    /** What a phase is called, by its kind. */
    public String phase(String kind) {
        return under("phase", kind);
    }

    /** What a line of a ledger is called that no cause has: what came out, and what nobody can explain. */
    public String ledger(String line) {
        return under("cause", line);
    }

    /** One of the words that a figure is told with. */
    public String choice(String word) {
        return under("choice", word);
    }

    /** What a photo shows. */
    public String photo(String subject) {
        return under("photo", subject);
    }

    /** What a figure of an entry is called; first by what it is of. */
    public String figure(String kind, String figure) {
        return Stream.of(kind + "." + figure, figure)
                .map(dictionary.path("figure")::path)
                .filter(JsonNode::isString)
                .map(JsonNode::stringValue)
                .findFirst()
                .orElseThrow(() -> new NoSuchElementException("no word for the figure " + figure));
    }

    private String under(String heading, String key) {
        JsonNode word = dictionary.path(heading).path(key);
        if (!word.isString()) {
            throw new NoSuchElementException("no word for " + key + " under " + heading);
        }
        return word.stringValue();
    }
}
