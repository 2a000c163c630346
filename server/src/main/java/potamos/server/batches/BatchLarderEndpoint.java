package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.BatchEvent;
import potamos.core.larder.Box;
import potamos.core.larder.Goods;
import potamos.core.quantity.Mass;
import potamos.server.accounts.Person;
import potamos.server.larder.Larder;

/** What the larder has for a batch that is being weighed in. */
@RestController
class BatchLarderEndpoint {

    /**
     * The bed, a kind of it, or a part.
     *
     * @param part     as an act names it
     * @param wantedKg as planned; of a kind of the bed its share
     * @param inKg     of the part weighed in or taken already; of a mix, of all of the bed
     * @param offers   boxes that it can be taken from, first what has to go first
     */
    record WantedView(
            @NotNull String part,
            @NotNull String goods,
            @NotNull String name,
            double wantedKg,
            double inKg,
            @NotNull List<OfferView> offers) {}

    /** A box, and how much of it would be taken; {@code refused} where it may not be used now. */
    record OfferView(
            @NotNull String boxId,
            double leftKg,
            double takeKg,
            Optional<LocalDate> useBy,
            boolean trim,
            @NotNull String supplier,
            @NotNull String supplierLot,
            Optional<Box.Refused> refused) {}

    private final Batches batches;
    private final Larder larder;

    BatchLarderEndpoint(Batches batches, Larder larder) {
        this.batches = batches;
        this.larder = larder;
    }

    @Operation(summary = "What a batch is weighed out of: what it wants, and which boxes of the larder have it")
    @GetMapping("/api/batches/{id}/larder")
    List<WantedView> wanted(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Batches.Loaded loaded = batches.whole(person, id);
        var charge = loaded.accepted().charge();
        return potamos.core.larder.Larder.wanted(charge).entrySet().stream()
                .map(wanted -> wanted(person, loaded, wanted.getKey(), wanted.getValue()))
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
            double inKg) {}

    @Operation(summary = "Which batches that are being weighed in want what is in a box of the larder")
    @GetMapping("/api/larder/boxes/{id}/wanting")
    List<WantingView> wanting(@AuthenticationPrincipal Person person, @PathVariable String id) {
        String goods = larder.goodsOf(person, id);
        return batches.open(person).stream()
                .filter(loaded -> loaded.state().strained().isEmpty())
                .flatMap(loaded -> wanted(loaded, goods).stream())
                .toList();
    }

    private static Optional<WantingView> wanted(Batches.Loaded loaded, String goods) {
        var charge = loaded.accepted().charge();
        Mass wanted = potamos.core.larder.Larder.wanted(charge).get(goods);
        String part = part(loaded, goods);
        double in = loaded.state().weighed().getOrDefault(part, Mass.ZERO).kg();
        boolean bedIn = part.equals(BatchEvent.BED) && !loaded.state().course().isEmpty();
        boolean added = loaded.state().added().containsKey(part);
        return Optional.ofNullable(wanted)
                .filter(mass -> in < mass.kg() && !bedIn && !added)
                .map(mass -> new WantingView(
                        loaded.row().id(),
                        loaded.row().number(),
                        charge.formula().name(),
                        charge.run().vessel().name(),
                        part,
                        mass.kg(),
                        in));
    }

    private static String part(Batches.Loaded loaded, String goods) {
        boolean bed = loaded.accepted().charge().formula().bed().stream()
                .anyMatch(share -> share.kind().id().equals(goods));
        return bed ? BatchEvent.BED : goods;
    }

    private WantedView wanted(Person person, Batches.Loaded loaded, String goods, Mass wanted) {
        String part = part(loaded, goods);
        double in = loaded.state().weighed().getOrDefault(part, Mass.ZERO).kg();
        return new WantedView(
                part,
                goods,
                Goods.nameOf(goods),
                wanted.kg(),
                in,
                larder.offers(person, goods, wanted).stream()
                        .map(offer -> new OfferView(
                                offer.box().id(),
                                offer.box().left().kg(),
                                offer.take().kg(),
                                offer.box().useBy(),
                                offer.box().trim(),
                                offer.supplier(),
                                offer.supplierLot(),
                                offer.refused()))
                        .toList());
    }
}
