package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.ToWeighIn;
import potamos.core.charge.Charge;
import potamos.core.larder.Box;
import potamos.core.larder.Goods;
import potamos.core.larder.Larder;
import potamos.core.quantity.Mass;
import potamos.server.accounts.Person;
import potamos.server.larder.Boxes;

/** What the larder has for a batch that is being weighed in. */
@RestController
class BatchLarderEndpoint {

    /**
     * The bed, a kind of it, or a part.
     *
     * @param part     as an act names it
     * @param wantedKg as planned; of a kind of the bed its share
     * @param stillKg  of it not weighed in yet
     * @param offers   boxes that this can be taken from, first what has to go first
     */
    record WantedView(
            @NotNull String part,
            @NotNull String goods,
            @NotNull String name,
            double wantedKg,
            double stillKg,
            @NotNull List<OfferView> offers) {}

    /** A box, and how much of it would be taken for what is still wanted; {@code refused} where it may not be used now. */
    record OfferView(
            @NotNull String boxId,
            double leftKg,
            double takeKg,
            Optional<LocalDate> useBy,
            boolean trim,
            @NotNull String supplier,
            @NotNull String supplierLot,
            Optional<Box.Refused> refused) {
        static OfferView of(Boxes.Offer offer) {
            return new OfferView(
                    offer.box().id(),
                    offer.box().left().kg(),
                    offer.take().kg(),
                    offer.box().useBy(),
                    offer.box().trim(),
                    offer.from(),
                    offer.supplierLot(),
                    offer.refused());
        }
    }

    private final Batches batches;
    private final Boxes boxes;

    BatchLarderEndpoint(Batches batches, Boxes boxes) {
        this.batches = batches;
        this.boxes = boxes;
    }

    @Operation(summary = "What a batch is weighed out of: what it wants, and which boxes of the larder have it")
    @GetMapping("/api/batches/{id}/larder")
    List<WantedView> wanted(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Batches.Loaded loaded = batches.whole(person, id);
        Charge charge = loaded.accepted().charge();
        Map<String, Mass> still = stillWanted(loaded);
        Map<String, List<Boxes.Offer>> offers = boxes.offers(person, still);
        return Larder.wanted(charge).entrySet().stream()
                .map(wanted -> new WantedView(
                        part(charge, wanted.getKey()),
                        wanted.getKey(),
                        Goods.nameOf(wanted.getKey()),
                        wanted.getValue().kg(),
                        still.get(wanted.getKey()).kg(),
                        offers.get(wanted.getKey()).stream().map(OfferView::of).toList()))
                .toList();
    }

    /** A batch that is being weighed in and wants what is in a box. */
    record WantingView(
            @NotNull String batchId,
            int batchNumber,
            @NotNull String formulaName,
            @NotNull String vessel,
            @NotNull String part,
            double wantedKg,
            double stillKg) {}

    @Operation(summary = "Which batches that are being weighed in want what is in a box of the larder")
    @GetMapping("/api/larder/boxes/{id}/wanting")
    List<WantingView> wanting(@AuthenticationPrincipal Person person, @PathVariable String id) {
        String goods = boxes.goodsOf(person, id);
        return batches.open(person).stream()
                .filter(loaded -> loaded.state().strained().isEmpty())
                .flatMap(loaded -> wanting(loaded, Goods.any(goods).orElseThrow()).stream())
                .toList();
    }

    private Optional<WantingView> wanting(Batches.Loaded loaded, Goods goods) {
        Charge charge = loaded.accepted().charge();
        Map<String, Mass> still = stillWanted(loaded);
        return Larder.wanted(charge).entrySet().stream()
                .filter(wanted -> goods.serves(wanted.getKey())
                        && still.get(wanted.getKey()).kg() > 0)
                .findFirst()
                .map(wanted -> new WantingView(
                        loaded.row().id(),
                        loaded.row().number(),
                        charge.formula().name(),
                        charge.run().vessel().name(),
                        part(charge, wanted.getKey()),
                        wanted.getValue().kg(),
                        still.get(wanted.getKey()).kg()));
    }

    private Map<String, Mass> stillWanted(Batches.Loaded loaded) {
        return ToWeighIn.of(
                loaded.accepted().charge(),
                loaded.state(),
                boxes.takenBy(loaded.row().id()));
    }

    private static String part(Charge charge, String goods) {
        return charge.formula().inBed(goods) ? BatchEvent.BED : goods;
    }
}
