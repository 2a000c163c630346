package potamos.server.batches;

import java.util.List;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.Fact;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.quantity.Volume;

/** What batches still have for the calls that they are made for. */
@Component
class Promises {

    private final BatchMapper mapper;

    Promises(BatchMapper mapper) {
        this.mapper = mapper;
    }

    /** Writes down what a batch has for each of its calls, as it stands now. */
    void renew(String batchId, Plan plan, BatchState state, List<Fact> believed) {
        List<BatchMapper.CallRow> calls = mapper.calls(batchId);
        List<Volume> promised = Expectation.promised(
                plan,
                state,
                calls.stream()
                        .map(call -> new Expectation.Promise(
                                Volume.ofLitres(call.litres()), delivered(believed, call.callId())))
                        .toList());
        for (int i = 0; i < calls.size(); i++) {
            mapper.promised(batchId, calls.get(i).callId(), promised.get(i).litres());
        }
    }

    /** Litres that went to a call. */
    private static Volume delivered(List<Fact> believed, String callId) {
        return believed.stream()
                .filter(ShelfEvent.Delivered.class::isInstance)
                .map(ShelfEvent.Delivered.class::cast)
                .filter(delivered -> delivered.call().equals(callId))
                .map(ShelfEvent.Delivered::litres)
                .reduce(Volume.ZERO, Volume::plus);
    }
}
