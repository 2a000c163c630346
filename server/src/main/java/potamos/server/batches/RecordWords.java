package potamos.server.batches;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.server.charges.ChargeView;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.PaperWords;

/** Entries of a record as paper says them. */
final class RecordWords {

    private final PaperUnits units;
    private final BatchView.Page page;

    RecordWords(PaperUnits units, BatchView.Page page) {
        this.units = units;
        this.page = page;
    }

    /** Everything that was read, weighed or said. */
    String figures(EventView.Figures f) {
        List<String> words = new ArrayList<>();
        f.part().map(this::partName).ifPresent(words::add);
        f.step().flatMap(this::phaseName).ifPresent(words::add);
        f.card()
                .ifPresent(card -> words.add(String.format(
                        Locale.ROOT,
                        "%s card %.1f",
                        PaperWords.sentence(card).toLowerCase(Locale.ROOT),
                        f.value().orElse(0.0))));
        if (f.card().isEmpty()) {
            f.value().ifPresent(degrees -> words.add(String.format(Locale.ROOT, "%.1f °Bx", degrees)));
        }
        f.kg().ifPresent(kg -> words.add(units.mass(Mass.ofKg(kg))));
        f.litres().ifPresent(litres -> words.add(units.litres(litres)));
        f.belowRimCm().ifPresent(cm -> words.add(units.cm(Length.ofCm(cm).cm()) + " below the rim"));
        f.celsius().ifPresent(celsius -> words.add(units.celsius(Temperature.ofCelsius(celsius))));
        f.longerMin().ifPresent(longer -> words.add("+" + PaperUnits.minutes(longer)));
        f.words().ifPresent(words::add);
        return String.join(", ", words);
    }

    private String partName(String id) {
        return page.parts().stream()
                .filter(part -> part.id().equals(id))
                .map(ChargeView.PartView::name)
                .findFirst()
                .orElse(page.bedName());
    }

    private Optional<String> phaseName(int step) {
        return page.chores().stream()
                .filter(chore -> chore.step() == step)
                .map(chore -> PaperWords.sentence(chore.phase()).toLowerCase(Locale.ROOT))
                .findFirst();
    }
}
