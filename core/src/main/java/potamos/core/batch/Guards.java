package potamos.core.batch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Phase;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** What makes no sense is refused before it is logged, with a reason that tells what to do instead. */
final class Guards {

    /** A jug is read to a few per cent; more than this over what the pot held is a slip. */
    private static final double JUG = 1.05;

    private static final double BOILING_SLACK_K = 3;

    private Guards() {}

    static void check(Plan plan, List<BatchEvent> events, BatchState state, BatchEvent next, Instant now) {
        // A plan that was accepted in time to come was accepted by a clock that was ahead, and does not hold up what is
        // done now.
        boolean acceptedAhead = plan.accepted().isAfter(now);
        if (next.stamp().at().isBefore(plan.accepted()) && !acceptedAhead) {
            throw Refusal.of("at", "before the plan was accepted");
        }
        if (next instanceof BatchEvent.Corrected corrected) {
            checkCorrection(events, corrected);
        } else if (next instanceof BatchEvent.Withdrawn withdrawn) {
            target(events, withdrawn.event());
        } else if (!(next instanceof BatchEvent.Noted)) {
            require(state.stage() != Stage.ABANDONED, "this batch was given up");
            ChoreGuards.check(plan, state, next);
            checkPot(plan, state, next);
            checkCold(plan, state, next);
        }
    }

    private static void checkPot(Plan plan, BatchState state, BatchEvent next) {
        boolean full =
                state.stage().compareTo(Stage.BRING_UP) >= 0 || !state.course().isEmpty();
        boolean working = full && state.strained().isEmpty();
        boolean lit = state.simmer().lit().isPresent();
        if (next instanceof BatchEvent.WeighedIn weighed) {
            require(state.strained().isEmpty(), "the pot is already strained");
            require(
                    !weighed.part().equals(BatchEvent.BED) || !full,
                    "the bed was weighed in and the pot filled; correct that entry instead");
            known(plan, weighed.part());
        } else if (next instanceof BatchEvent.Blanched) {
            require(!full, "the pot is already filled for the stock");
        } else if (next instanceof BatchEvent.Filled filled) {
            require(!full, "the pot is already filled; log a top-up, or correct the filling");
            require(
                    state.weighed().containsKey(BatchEvent.BED)
                            || plan.charge().formula().bed().isEmpty(),
                    "weigh the bed in first");
            room(plan, state, filled.water().litres(), solidsToFill(plan, state));
        } else if (next instanceof BatchEvent.HeatOn) {
            require(full, "fill the pot first");
            once(state.simmer().lit(), "the burner is already lit");
        } else if (next instanceof BatchEvent.Held) {
            require(lit && working, "light the burner first");
            require(Replay.warmSteep(plan).isPresent(), "this procedure has no warm steep");
            once(state.simmer().held(), "the steep is already logged");
        } else if (next instanceof BatchEvent.TakenOut out) {
            require(working, "the pot is not filled, or already strained");
            require(Infusion.share(plan.charge(), out.part()).isPresent(), "this bed has no such kind to be taken out");
        } else if (next instanceof BatchEvent.CardRead card && card.card() != BatchEvent.Card.SHADE) {
            require(full, "there is no stock yet to hold against a card");
        } else if (next instanceof BatchEvent.BrixRead) {
            require(full, "there is no stock yet to put on a refractometer");
        } else if (next instanceof BatchEvent.Tasted) {
            require(full, "there is no stock yet to taste");
        } else if (next instanceof BatchEvent.FirstFoam) {
            require(lit, "light the burner first");
            once(state.simmer().foam(), "first foam is already logged");
        } else if (next instanceof BatchEvent.SimmerReached) {
            require(lit, "light the burner first");
            once(state.simmer().reached(), "the simmer is already logged");
        } else if (next instanceof BatchEvent.Skimmed) {
            require(lit && working, "there is nothing to skim: the pot is not on the heat");
        } else if (next instanceof BatchEvent.LevelRead read) {
            require(working, "there is no level to read: the pot is not filled");
            Vessel vessel = plan.charge().run().vessel();
            Refusal.unlessWithin(
                    "belowRimCm",
                    read.belowRim().cm(),
                    0,
                    vessel.shape().height().cm(),
                    "cm");
        } else if (next instanceof BatchEvent.TemperatureRead read) {
            require(working, "the pot is not filled");
            double most = plan.charge().run().air().boilingPoint().celsius() + BOILING_SLACK_K;
            if (read.temperature().celsius() > most) {
                throw Refusal.outside("celsius", "above the boiling point here", 0, most, "°C");
            }
        } else if (next instanceof BatchEvent.ToppedUp topUp) {
            require(working, "there is no pot to top up");
            room(plan, state, topUp.water().litres(), state.pot().contents().litres());
        } else if (next instanceof BatchEvent.Added part) {
            require(working, "the pot is not filled, or already strained");
            known(plan, part.part());
            once(Optional.ofNullable(state.added().get(part.part())), "that is already in the pot");
        } else if (next instanceof BatchEvent.Judged) {
            require(state.simmer().reached().isPresent(), "the simmer has not been reached");
            once(state.simmer().ended(), "the end is already judged");
        } else if (next instanceof BatchEvent.Abandoned) {
            require(state.strained().isEmpty(), "it is already strained; discard the litres instead");
        }
    }

    private static void checkCold(Plan plan, BatchState state, BatchEvent next) {
        boolean strained = state.strained().isPresent();
        checkFinish(plan, state, next);
        if (next instanceof BatchEvent.Strained out) {
            require(state.simmer().ended().isPresent(), "judge the end of the simmer first");
            require(!strained, "it is already strained; correct that entry instead");
            double most = state.pot().contents().litres() * JUG;
            if (out.out().litres() > most) {
                throw Refusal.outside("litres", "more than the pot held", 0, most, "L");
            }
        } else if (next instanceof BatchEvent.CoolingBegan) {
            require(strained, "strain it first");
            require(state.out().isPresent(), "reduce it to its mark first, or log what it was reduced to");
            once(state.cooling().began(), "cooling is already logged");
        } else if (next instanceof BatchEvent.CoolingRead) {
            require(strained, "strain it first; readings of the pot are logged as temperature");
        } else if (next instanceof BatchEvent.Reheated) {
            require(strained, "strain it first");
            require(failed(state), "only a failed stage is reheated");
            require(
                    state.cooling().reheats() == 0,
                    "it was reheated once already; the limits allow no second time: discard it");
        } else if (next instanceof BatchEvent.Stored stored) {
            require(strained, "strain it first");
            require(
                    state.shelf().stored().litres() == 0,
                    "it is put away already; withdraw that entry and log it anew if the litres are wrong");
            require(!failed(state), "cooling failed: reheat it once and start again, or discard it");
            require(state.out().isPresent(), "reduce it to its mark first, or log what it was reduced to");
            require(state.stage().compareTo(Stage.STORE) >= 0, "the last reading is not down to the cold limit yet");
            double left = notYetStored(state);
            atMost("litres", stored.litres().litres(), left, "more than is left of this batch");
        } else if (next instanceof BatchEvent.Delivered delivered) {
            require(state.shelf().stored().litres() > 0, "put it away as a lot first");
            atMost(
                    "litres",
                    delivered.litres().litres(),
                    state.shelf().left().litres(),
                    "more than is left of this lot");
        } else if (next instanceof BatchEvent.Discarded discarded) {
            require(strained, "give the batch up instead");
            double left =
                    state.shelf().stored().litres() > 0 ? state.shelf().left().litres() : notYetStored(state);
            atMost("litres", discarded.litres().litres(), left, "more than is left of this batch");
        }
    }

    private static void checkFinish(Plan plan, BatchState state, BatchEvent next) {
        boolean ended = state.simmer().ended().isPresent();
        if (next instanceof BatchEvent.Passed) {
            require(ended, "judge the end of the simmer first");
            require(state.strained().isEmpty(), "it is already strained");
        } else if (next instanceof BatchEvent.Degreased fat) {
            require(ended, "judge the end of the simmer first");
            atMost("litres", fat.fat().litres(), state.pot().contents().litres(), "more than there is");
        } else if (next instanceof BatchEvent.Reduced reduced) {
            boolean inThePot = plan.charge().run().reduction().beforeStraining();
            require(ended, "judge the end of the simmer first");
            require(
                    plan.charge().formula().phase(Phase.Reduce.class).isPresent(),
                    "this procedure has no reduction; note it, or correct the litres");
            require(inThePot || state.strained().isPresent(), "strain it first");
            require(state.finish().toReduce(), "it is already reduced, or past it; correct that entry instead");
            double there = state.strained()
                    .map(Volume::litres)
                    .orElse(state.pot().liquor().litres());
            atMost("litres", reduced.left().litres(), there, "more than there was before");
        }
    }

    private static double notYetStored(BatchState state) {
        return state.out().or(state::strained).orElseThrow().litres()
                - state.shelf().spoiled().litres()
                - state.shelf().stored().litres();
    }

    /** What must hold after any event, corrections included. */
    static void checkAfter(BatchState after) {
        if (after.shelf().left().litres() < -1e-6) {
            throw Refusal.outside(
                    "litres",
                    "then more would have gone out than was put away",
                    0,
                    after.shelf().stored().litres(),
                    "L");
        }
    }

    private static boolean failed(BatchState state) {
        return state.cooling()
                .verdict()
                .map(v -> v.overall() == CoolingVerdict.Outcome.FAILED)
                .orElse(false);
    }

    private static double solidsToFill(Plan plan, BatchState state) {
        double bedKg =
                state.weighed().getOrDefault(BatchEvent.BED, Mass.ofKg(0)).kg()
                        * plan.charge().formula().keepsMass();
        return bedKg / plan.charge().run().bed().kind().trueKgPerL();
    }

    private static void room(Plan plan, BatchState state, double litres, double already) {
        double brimful = plan.charge().run().vessel().shape().brimful().litres();
        if (litres + already > brimful) {
            throw Refusal.outside("litres", "it would run over", 0, Math.max(0, brimful - already), "L");
        }
    }

    private static void atMost(String field, double value, double most, String reason) {
        if (value > most + 1e-9) {
            throw Refusal.outside(field, reason, 0, Math.max(0, most), "L");
        }
    }

    private static void known(Plan plan, String part) {
        if (Replay.planned(plan, part).isEmpty()) {
            throw Refusal.of("part", "this formula has no such part");
        }
    }

    private static void checkCorrection(List<BatchEvent> events, BatchEvent.Corrected corrected) {
        BatchEvent target = target(events, corrected.event());
        if (target.getClass() != corrected.replacement().getClass()) {
            throw Refusal.of("event", "a correction is of the same kind as what it corrects");
        }
        if (target instanceof BatchEvent.Delivered || target instanceof BatchEvent.Stored) {
            throw Refusal.of("event", "a lot or a delivery is part of the record: withdraw it and log it anew");
        }
    }

    private static BatchEvent target(List<BatchEvent> events, String id) {
        boolean gone = events.stream()
                .anyMatch(e -> e instanceof BatchEvent.Withdrawn w && w.event().equals(id));
        require(!gone, "that entry was withdrawn already");
        BatchEvent target = events.stream()
                .filter(e -> e.stamp().id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.of("event", "there is no such entry in this batch"));
        if (target instanceof BatchEvent.Corrected || target instanceof BatchEvent.Withdrawn) {
            throw Refusal.of("event", "a correction cannot itself be corrected; correct the first entry again");
        }
        return target;
    }

    static void require(boolean holds, String reason) {
        if (!holds) {
            throw Refusal.of("act", reason);
        }
    }

    static void once(Optional<Instant> already, String reason) {
        require(already.isEmpty(), reason);
    }
}
