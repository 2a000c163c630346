package potamos.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import potamos.server.exchange.FormulaJson.WaterJson;

/** Schools chosen; whatever is left out stays as the formula has it. */
public record SchoolsJson(
        WaterJson water,
        Boolean blanch,

        @Schema(allowableValues = {"on-the-bones", "on-the-vegetables", "none"})
        String tomato,

        @Schema(allowableValues = {"at-the-start", "late"}) String vegetables,

        @Schema(allowableValues = {"hot-and-fast", "overnight"})
        String roast,

        Double simmerMin,

        @Schema(allowableValues = {"open", "paper-lid", "lid-ajar", "lid-on"})
        String cover,

        @Schema(allowableValues = {"ladle", "pour", "tap"}) String transfer,

        Boolean press,

        @Schema(allowableValues = {"dense", "light-reduced"})
        String density,

        @Schema(allowableValues = {"fresh", "dried-half-weight", "dried-third-volume"})
        String herbs,

        @Schema(allowableValues = {"hold", "let-reduce"}) String topUp) {}
