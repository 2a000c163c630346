package potamos.server.batches;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What an earlier version made from events, and knew less of, is made anew when the application starts. */
@Component
@Order(0)
class Remaking implements ApplicationRunner {

    private final BatchMapper mapper;
    private final Batches batches;

    Remaking(BatchMapper mapper, Batches batches) {
        this.mapper = mapper;
        this.batches = batches;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        mapper.madeByAnEarlierVersion().forEach(batch -> batches.rebuild(batch.kitchenId(), batch.id()));
    }
}
