package potamos.server.larder;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.Fact;
import potamos.core.batch.FinishEvent;
import potamos.core.formula.Brought;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.server.Json;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;

/** What came out of one pot and goes into another, as it lies in the larder in between, with what was in the stock that it lay in. */
@Service
public class LeftOvers {

    private final LarderMapper mapper;
    private final Boxes boxes;
    private final Kitchens kitchens;
    private final Changes changes;
    private final Json json;

    LeftOvers(LarderMapper mapper, Boxes boxes, Kitchens kitchens, Changes changes, Json json) {
        this.mapper = mapper;
        this.boxes = boxes;
        this.kitchens = kitchens;
        this.changes = changes;
        this.json = json;
    }

    /** The entry with what is known of what is in the box, where that came out of a pot of this kitchen. */
    public ChoreEvent.Took known(String kitchenId, ChoreEvent.Took took) {
        return took.knowing(boxes.find(kitchenId, took.box()).flatMap(this::contents));
    }

    private Optional<Contents> contents(Boxes.Stands box) {
        return Optional.ofNullable(box.row().contents()).map(written -> json.read(written, Contents.class));
    }

    /**
     * What a pot is going to be made of that came out of another, with what was in that one.
     *
     * @param formula what is made
     * @param part    the bed, or a part by its id
     * @throws Refusal on {@code brought} where it is not there, not to be used, or not what goes in there
     */
    public Brought brought(String kitchenId, Formula formula, String part, String boxId) {
        Boxes.Stands box = boxes.find(kitchenId, boxId)
                .orElseThrow(() -> Refusal.of("brought", "this kitchen's larder has no such box"));
        Boxes.unlessFits("brought", formula, part, box);
        if (box.box().left().kg() == 0) {
            throw Refusal.of("brought", "nothing is left in this box");
        }
        return new Brought(part, boxId, contents(box).orElse(Contents.UNKNOWN));
    }

    /**
     * Puts away what is left over of a batch, from what is now believed of it.
     *
     * @param contents of its stock
     * @throws Refusal where somebody took of what is not believed any more
     */
    public void rebuild(String kitchenId, String batchId, List<Fact> believed, Contents contents) {
        Map<String, Double> before = mapper.leftOf(batchId).stream()
                .collect(Collectors.toMap(LarderMapper.LeftRow::id, LarderMapper.LeftRow::takenKg));
        Kitchens.Kitchen kitchen = kitchens.of(kitchenId);
        String written = json.write(contents.ofSolids());
        mapper.forgetLeftOver(batchId);
        for (Fact fact : believed) {
            if (fact instanceof FinishEvent.LeftOver left && left.as().goods().isPresent()) {
                LocalDate day = kitchen.day(left.stamp().at());
                mapper.boxOfLeftOver(
                        left.stamp().id(),
                        kitchenId,
                        batchId,
                        left.as().goods().get(),
                        left.mass().kg(),
                        day,
                        left.as().useBy(day, kitchen.limits()));
                mapper.leftOver(left.stamp().id(), batchId, left.mass().kg(), written);
                if (before.remove(left.stamp().id()) == null) {
                    changes.note(kitchenId, "larder", left.stamp().id());
                }
            }
        }
        before.forEach((id, taken) -> {
            if (taken > 0) {
                throw Refusal.of("corrects", "some of it is in another pot already");
            }
            changes.note(kitchenId, "larder", id);
        });
    }
}
