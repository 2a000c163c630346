package potamos.server.larder;

import java.time.LocalDate;
import potamos.core.larder.Goods;
import potamos.core.larder.Larder;
import potamos.core.quantity.Refusal;

/**
 * Something that comes in.
 *
 * @param goods      by their id
 * @param cameOn     day; of trim, when it was trimmed
 * @param useBy      nothing of what keeps
 * @param thickCm    how thick frozen raw goods lie; nothing of others
 * @param doorC      of raw goods, as measured at the door
 * @param pricePerKg in the kitchen's own money
 * @param trim       whether it is clean trim of the kitchen's own, for the freezer
 */
public record Intake(
        String goods,
        double kg,
        LocalDate cameOn,
        LocalDate useBy,
        boolean frozen,
        Double thickCm,
        Double doorC,
        String supplier,
        String supplierLot,
        Double pricePerKg,
        String note,
        boolean trim) {

    static final double LEAST_KG = 0.001;
    static final double MOST_KG = 500;
    private static final double MOST_PRICE = 2000;
    private static final int MOST_MONTHS_AHEAD = 36;

    /** Trim of the kitchen's own, as it goes into the freezer. */
    public static Intake ofTrim(String item, double kg, LocalDate day) {
        return new Intake(item, kg, day, null, true, null, null, "", "", null, "", true);
    }

    private Intake usedBy(LocalDate day) {
        return new Intake(
                goods, kg, cameOn, day, frozen, thickCm, doorC, supplier, supplierLot, pricePerKg, note, trim);
    }

    /**
     * The same as it is kept; trim with the day until which it may be used.
     *
     * @throws Refusal with the field that will not do
     */
    Intake checked(LocalDate today) {
        Goods what = known(goods);
        Refusal.unlessWithin("kg", kg, LEAST_KG, MOST_KG, "kg");
        if (cameOn.isAfter(today) || cameOn.isBefore(today.minusYears(1))) {
            throw Refusal.of("cameOn", "a day of the last year, today at the latest");
        }
        if (pricePerKg != null) {
            Refusal.unlessWithin("pricePerKg", pricePerKg, 0, MOST_PRICE, "per kg");
        }
        if (trim) {
            if (what.bed()) {
                throw Refusal.of("goods", "trim is of vegetables and herbs; bones come in as what they are");
            }
            return usedBy(cameOn.plusDays(Larder.TRIM_KEEPS_DAYS));
        }
        if (useBy != null && (useBy.isBefore(today) || useBy.isAfter(today.plusMonths(MOST_MONTHS_AHEAD)))) {
            throw Refusal.of("useBy", "a day from today on, three years ahead at the most");
        }
        if (what.raw()) {
            checkRaw(what);
        }
        return this;
    }

    private void checkRaw(Goods what) {
        if (useBy == null) {
            throw Refusal.of("useBy", what.name() + " does not keep: until when may it be used");
        }
        if (doorC == null) {
            throw Refusal.of("doorC", what.name() + " is raw: how cold was it at the door");
        }
        Refusal.unlessWithin("doorC", doorC, -40, 30, "°C");
        if (frozen) {
            if (thickCm == null) {
                throw Refusal.of("thickCm", "how thick does it lie: it thaws by that");
            }
            Refusal.unlessWithin("thickCm", thickCm, 1, 60, "cm");
        }
    }

    /** @throws Refusal where the book knows nothing that is delivered and called so */
    static Goods known(String goods) {
        return Goods.find(goods).orElseThrow(() -> Refusal.of("goods", "the book does not know it"));
    }
}
