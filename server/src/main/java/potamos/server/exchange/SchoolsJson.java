package potamos.server.exchange;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.Optional;
import potamos.core.figure.Figures;
import potamos.core.formula.Formula;
import potamos.core.formula.School;
import potamos.core.formula.Schools;
import potamos.core.quantity.Refusal;
import potamos.server.exchange.FormulaJson.WaterJson;

/**
 * Schools chosen; whatever is left out stays as the formula has it.
 *
 * @param water  what decides the water
 * @param chosen of the other schools, each under its name
 */
public record SchoolsJson(
        WaterJson water,
        @JsonAnySetter @JsonAnyGetter @Schema(hidden = true) Map<String, Object> chosen) {

    /** What is sent as nothing is not chosen. */
    public SchoolsJson {
        chosen = Figures.said(chosen);
    }

    /**
     * Schools of a request.
     *
     * @param form nothing for a formula as written
     * @throws Refusal on the water's rule, when nobody knows it
     */
    public static Schools read(SchoolsJson form) {
        return form == null
                ? Schools.AS_WRITTEN
                : new Schools(Optional.ofNullable(form.water).map(FormulaForm::readWater), new Figures(form.chosen));
    }

    /**
     * How the schools stand after the choices; what this formula leaves no choice in is left out.
     *
     * @param base as written
     * @param now  with the choices made
     */
    public static SchoolsJson standing(Formula base, Formula now) {
        return new SchoolsJson(
                FormulaForm.write(now).water(), Schools.standing(base, now).byName());
    }

    /** The same with another choice. A density is a ratio of water, and takes the place of one. */
    public static SchoolsJson choosing(SchoolsJson asked, School<?> school, Object option) {
        Map<String, Object> chosen = Figures.said(asked == null ? null : asked.chosen);
        chosen.put(school.name(), option);
        boolean water = asked != null && school != Schools.DENSITY;
        return new SchoolsJson(water ? asked.water : null, chosen);
    }
}
