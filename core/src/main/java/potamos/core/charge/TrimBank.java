package potamos.core.charge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;

/** The freezer box of clean trim, dated and weighed, and what of a charge it can stand for: oldest first. */
public final class TrimBank {

    private TrimBank() {}

    /** So much of an item put by on a day. */
    public record Deposit(String item, Mass mass, LocalDate day) {
        public Deposit {
            Refusal.unlessWithin("kg", mass.kg(), 0.01, 200, "kg");
        }
    }

    /**
     * What the bank gives to a part.
     *
     * @param wanted as the charge has it
     * @param taken  from the bank, oldest first
     */
    public record Cover(Measure wanted, List<Deposit> taken) {
        public Cover {
            taken = List.copyOf(taken);
        }

        public Mass fromBank() {
            return taken.stream().map(Deposit::mass).reduce(Mass.ofKg(0), Mass::plus);
        }

        /** Still to be weighed fresh. */
        public Mass fresh() {
            return Mass.ofKg(Math.max(0, wanted.mass().kg() - fromBank().kg()));
        }
    }

    /** What the bank gives to each part of a charge; parts that it has nothing for are left out. */
    public static List<Cover> cover(Charge charge, List<Deposit> bank) {
        List<Cover> covers = new ArrayList<>();
        for (Measure measure : charge.measures()) {
            List<Deposit> taken = new ArrayList<>();
            double left = measure.mass().kg();
            List<Deposit> oldestFirst = bank.stream()
                    .filter(d -> d.item().equals(measure.part().id()))
                    .sorted(Comparator.comparing(Deposit::day))
                    .toList();
            for (Deposit deposit : oldestFirst) {
                double kg = Math.min(left, deposit.mass().kg());
                if (kg >= 0.01) {
                    taken.add(new Deposit(deposit.item(), Mass.ofKg(kg), deposit.day()));
                    left -= kg;
                }
            }
            if (!taken.isEmpty()) {
                covers.add(new Cover(measure, taken));
            }
        }
        return covers;
    }
}
