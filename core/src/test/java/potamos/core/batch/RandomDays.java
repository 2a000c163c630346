package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import potamos.core.Samples;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;

/** A clumsy cook: logs anything at any time; what makes no sense is refused, the rest stands. */
final class RandomDays {

    /** Where a day ended, and how many of its acts were taken. */
    record Day(BatchState state, int accepted) {}

    private RandomDays() {}

    static LongStream seeds() {
        return LongStream.range(1, 17);
    }

    static Day run(Plan plan, long seed) {
        Random random = new Random(seed);
        List<BatchEvent> events = new ArrayList<>();
        Instant now = Samples.EIGHT;
        for (int i = 0; i < 200; i++) {
            now = now.plus(Duration.ofSeconds(30 + random.nextInt(400)));
            BatchEvent event = any(random, new BatchEvent.Stamp("r" + i, now, "WA"));
            try {
                Batch.accept(plan, events, event, now);
                events.add(event);
            } catch (Refusal refused) {
                if (refused.field().isEmpty()) {
                    throw new AssertionError("a refusal names its field", refused);
                }
            }
        }
        return new Day(Batch.replay(plan, events, now), events.size());
    }

    private static BatchEvent any(Random random, BatchEvent.Stamp stamp) {
        Volume litres = Volume.ofLitres(0.1 + 20 * random.nextDouble());
        Temperature celsius = Temperature.ofCelsius(100 * random.nextDouble());
        return switch (random.nextInt(15)) {
            case 0 -> new ChoreEvent.WeighedIn(stamp, BatchEvent.BED, Mass.ofKg(1 + 15 * random.nextDouble()), "");
            case 1 -> new PotEvent.Filled(stamp, litres, celsius);
            case 2 -> new PotEvent.HeatOn(stamp);
            case 3 -> new PotEvent.FirstFoam(stamp);
            case 4 -> new PotEvent.SimmerReached(stamp);
            case 5 -> new PotEvent.Skimmed(stamp, litres.times(0.05));
            case 6 -> new PotEvent.LevelRead(stamp, Length.ofCm(40 * random.nextDouble()));
            case 7 -> new PotEvent.TemperatureRead(stamp, celsius);
            case 8 -> new PotEvent.ToppedUp(stamp, litres.times(0.2).plus(Volume.ofLitres(0.05)), celsius);
            case 9 -> new PotEvent.Added(stamp, "onion", Mass.ofKg(random.nextDouble() + 0.01));
            case 10 -> new PotEvent.Judged(stamp, random.nextInt(8) == 0, Duration.ofMinutes(15));
            case 11 -> new FinishEvent.Strained(stamp, litres, 2, random.nextBoolean());
            case 12 -> new ColdEvent.CoolingRead(stamp, celsius);
            case 13 -> new ShelfEvent.Stored(stamp, litres, "cold store", Kept.COLD, "", 1);
            default -> new ShelfEvent.Delivered(stamp, "soup", "", litres, "");
        };
    }
}
