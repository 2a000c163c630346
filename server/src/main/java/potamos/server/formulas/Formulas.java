package potamos.server.formulas;

import java.util.List;
import org.springframework.stereotype.Service;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.server.Json;
import potamos.server.problems.NotFound;

/** Formulas of a kitchen. */
@Service
public class Formulas {

    private final FormulaMapper mapper;
    private final Json json;

    Formulas(FormulaMapper mapper, Json json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** Gives a new kitchen its copy of the book. */
    public void stock(String kitchenId) {
        for (Formula formula : Book.formulas()) {
            mapper.insert(new FormulaMapper.FormulaRow(
                    kitchenId,
                    formula.slug(),
                    formula.version(),
                    formula.name(),
                    formula.family().name(),
                    json.write(formula)));
        }
    }

    /** The latest version of each. */
    public List<Formula> all(String kitchenId) {
        return mapper.latest(kitchenId).stream()
                .map(row -> json.read(row.formula(), Formula.class))
                .toList();
    }

    /** The latest version of one. */
    public Formula of(String kitchenId, String slug) {
        return mapper.bySlug(kitchenId, slug)
                .map(row -> json.read(row.formula(), Formula.class))
                .orElseThrow(() -> new NotFound("formula"));
    }
}
