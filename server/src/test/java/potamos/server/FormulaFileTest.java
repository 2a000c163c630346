package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.server.exchange.FormulaFile;
import potamos.server.exchange.Recipe;

/** The open formats: an exact round trip, and refusals that say where. */
class FormulaFileTest {

    private static final FormulaFile FILES = new FormulaFile();

    static Stream<Formula> formulas() {
        return Book.formulas().stream();
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @MethodSource("formulas")
    void whatIsWrittenReadsBackEqual(Formula formula) {
        assertThat(FILES.read(bytes(FILES.write(formula)))).isEqualTo(formula);
    }

    @Test
    void figuresOfTheBookMayBeLeftOut() {
        String file = FILES.write(Book.whiteChicken()).replaceAll("(?s),\\s*\"figures\" : \\{[^}]*\\}", "");
        assertThat(file).doesNotContain("figures");
        assertThat(FILES.read(bytes(file))).isEqualTo(Book.whiteChicken());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"slug\" : \"white-chicken\" | \"slug\" : \"White\" | slug",
                "\"coldDays\" : 3 | \"coldDays\" : 99 | coldDays",
                "\"phase\" : \"rinse\" | \"phase\" : \"pray\" | procedure[0].phase",
                "\"percentOfBed\" : 6.0 | \"percentOfBed\" : -6.0 | parts[0].amount.percentOfBed",
                "\"share\" : 1.0 | \"share\" : 0.4 | bed",
                "\"family\" : \"white\" | \"family\" : \"white\", \"mood\" : \"good\" | mood",
                "\"formatVersion\" : 1 | \"formatVersion\" : 7 | formatVersion",
                "\"band\" : \"lazy\" | \"band\" : null | procedure[3].band",
                "\"format\" : \"potamos-formula\" | \"format\" : \"cookbook\" | format"
            })
    void whatIsWrongIsRefusedWithItsPath(String from, String to, String path) {
        String file = FILES.write(Book.whiteChicken());
        assertThat(file).contains(from.trim());
        assertRefused(path.trim(), file.replaceFirst(java.util.regex.Pattern.quote(from.trim()), to.trim()));
    }

    @Test
    void whatIsNoJsonIsRefusedWithItsLine() {
        String file = FILES.write(Book.whiteChicken());
        int cut = file.indexOf("\"water\"");
        long line = file.substring(0, cut).lines().count();
        assertRefused("line " + line, file.substring(0, cut) + "\u0001");
        assertRefused("format", "[]");
        assertRefused("file", "x".repeat(200_000));
    }

    private static void assertRefused(String field, String file) {
        assertThatThrownBy(() -> FILES.read(bytes(file)))
                .isInstanceOfSatisfying(
                        Refusal.class, r -> assertThat(r.field()).isEqualTo(field));
    }

    @Test
    void aRecipeKeepsTheRatiosAndSaysWhatItLost() {
        Formula white = Book.whiteChicken();
        Recipe.Read read = Recipe.read(bytes(Recipe.write(white)));
        assertThat(read.formula().bed()).isEqualTo(white.bed());
        assertThat(read.formula().water()).isEqualTo(white.water());
        assertThat(read.formula().simmer().usual()).isEqualTo(white.simmer().usual());
        assertThat(read.formula().parts())
                .extracting(p -> p.id())
                .containsExactlyElementsOf(
                        white.parts().stream().map(p -> p.id()).toList());
        assertThat(read.lost()).hasSize(white.procedure().size());
    }

    /** Lines that a pattern could try in billions of ways are taken apart word by word, and told as not understood. */
    @Test
    void aLineThatIsMadeToTakeLongIsReadAsFastAsAnyOther() {
        StringBuilder lines = new StringBuilder("\"5 kg veal knuckle and breast\", \"8 litres water\"");
        for (int i = 0; i < 200; i++) {
            lines.append(", \"1 ").append(" ".repeat(190)).append("\\n of\"");
        }
        Recipe.Read read = Recipe.read(bytes("""
                {"@context": "https://schema.org", "@type": "Recipe", "name": "Long", "recipeIngredient": [%s]}
                """.formatted(lines)));
        assertThat(read.lost()).hasSize(200);
    }

    @Test
    void aRecipeFromElsewhereIsReadAsFarAsItGoes() {
        Recipe.Read read = Recipe.read(bytes("""
                {"@context": "https://schema.org", "@graph": [{"@type": "Recipe", "name": "House stock",
                 "recipeIngredient": ["5 kg veal knuckle and breast bones", "8 litres cold water", "500 g carrots",
                                      "4 onions", "a handful of chervil"],
                 "cookTime": "PT5H", "recipeInstructions": "Simmer gently."}]}
                """));
        assertThat(read.formula().slug()).isEqualTo("house-stock");
        assertThat(read.formula().bed()).hasSize(1);
        assertThat(read.formula().simmer().usual()).hasHours(5);
        assertThat(read.formula().parts()).extracting(p -> p.id()).containsExactly("carrot", "onion");
        assertThat(read.lost()).contains("a handful of chervil");
        assertThatThrownBy(() -> Recipe.read(bytes("""
                {"@context": "https://schema.org", "@type": "Recipe", "recipeIngredient": ["1 kg flour"]}
                """)))
                .isInstanceOfSatisfying(
                        Refusal.class, r -> assertThat(r.field()).isEqualTo("recipeIngredient"));
    }
}
