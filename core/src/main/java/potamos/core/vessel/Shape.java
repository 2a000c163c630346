package potamos.core.vessel;

import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * The inside of a vessel. Volume and level determine each other exactly and rise together.
 *
 * <p>Levels are heights above the lowest point of the inside bottom.
 */
public sealed interface Shape permits Shape.Cylinder, Shape.Pan, Shape.Kettle {

    /** Inside height from the lowest point to the rim. */
    Length height();

    /** Widest inside measure seen from the side, for drawing. */
    Length width();

    /**
     * Volume of what fills the vessel up to a level.
     *
     * @param level 0 to {@link #height()}; beyond, the walls are thought on straight
     */
    Volume volumeAt(Length level);

    /**
     * Level to which a volume fills the vessel, the inverse of {@link #volumeAt}.
     *
     * @param volume 0 or more; beyond the brim the walls are thought on straight
     */
    Length levelAt(Volume volume);

    /** Free surface at a level, in dm². */
    double surfaceDm2(Length level);

    /** Inside wall and bottom touched by a filling up to a level, in dm². */
    double wettedDm2(Length level);

    /** Volume up to the rim. */
    default Volume brimful() {
        return volumeAt(height());
    }

    /** An upright cylinder. */
    record Cylinder(Length diameter, Length height) implements Shape {
        public Cylinder {
            Refusal.unlessWithin("diameterCm", diameter.cm(), 5, 200, "cm");
            Refusal.unlessWithin("heightCm", height.cm(), 3, 200, "cm");
        }

        @Override
        public Length width() {
            return diameter;
        }

        @Override
        public Volume volumeAt(Length level) {
            return Volume.ofCubicCm(disc(diameter.cm() / 2) * Math.max(0, level.cm()));
        }

        @Override
        public Length levelAt(Volume volume) {
            return Length.ofCm(Math.max(0, volume.cubicCm()) / disc(diameter.cm() / 2));
        }

        @Override
        public double surfaceDm2(Length level) {
            return disc(diameter.cm() / 2) / 100;
        }

        @Override
        public double wettedDm2(Length level) {
            return (disc(diameter.cm() / 2) + Math.PI * diameter.cm() * Math.max(0, level.cm())) / 100;
        }
    }

    /** A rectangular pan with straight walls. */
    record Pan(Length length, Length breadth, Length height) implements Shape {
        public Pan {
            Refusal.unlessWithin("lengthCm", length.cm(), 5, 300, "cm");
            Refusal.unlessWithin("breadthCm", breadth.cm(), 5, 300, "cm");
            Refusal.unlessWithin("heightCm", height.cm(), 3, 200, "cm");
        }

        @Override
        public Length width() {
            return length;
        }

        @Override
        public Volume volumeAt(Length level) {
            return Volume.ofCubicCm(length.cm() * breadth.cm() * Math.max(0, level.cm()));
        }

        @Override
        public Length levelAt(Volume volume) {
            return Length.ofCm(Math.max(0, volume.cubicCm()) / (length.cm() * breadth.cm()));
        }

        @Override
        public double surfaceDm2(Length level) {
            return length.cm() * breadth.cm() / 100;
        }

        @Override
        public double wettedDm2(Length level) {
            return surfaceDm2(level) + 2 * (length.cm() + breadth.cm()) * Math.max(0, level.cm()) / 100;
        }
    }

    /**
     * A kettle: a straight cylinder on a bottom that is the cap of a sphere.
     *
     * @param bowl depth of the cap, at most half the diameter
     */
    record Kettle(Length diameter, Length height, Length bowl) implements Shape {
        public Kettle {
            Refusal.unlessWithin("diameterCm", diameter.cm(), 5, 200, "cm");
            Refusal.unlessWithin("heightCm", height.cm(), 3, 200, "cm");
            Refusal.unlessWithin("bowlCm", bowl.cm(), 1, Math.min(diameter.cm() / 2, height.cm()), "cm");
        }

        private double sphereRadius() {
            double a = diameter.cm() / 2;
            return (a * a + bowl.cm() * bowl.cm()) / (2 * bowl.cm());
        }

        @Override
        public Length width() {
            return diameter;
        }

        @Override
        public Volume volumeAt(Length level) {
            double h = Math.max(0, level.cm());
            double inBowl = Math.min(h, bowl.cm());
            double cap = Math.PI * inBowl * inBowl * (3 * sphereRadius() - inBowl) / 3;
            return Volume.ofCubicCm(cap + disc(diameter.cm() / 2) * Math.max(0, h - bowl.cm()));
        }

        @Override
        public Length levelAt(Volume volume) {
            double v = Math.max(0, volume.cubicCm());
            double cap = volumeAt(bowl).cubicCm();
            if (v >= cap) {
                return bowl.plus(Length.ofCm((v - cap) / disc(diameter.cm() / 2)));
            }
            // The cap's volume is a cubic in the level; with h = R(1 − c) it becomes c³ − 3c = w, which the
            // triple-angle identity solves.
            double r = sphereRadius();
            double w = 3 * v / (Math.PI * r * r * r) - 2;
            double c = 2 * Math.cos((Math.acos(Math.max(-1, w / 2)) + 4 * Math.PI) / 3);
            return Length.ofCm(Math.max(0, r * (1 - c)));
        }

        @Override
        public double surfaceDm2(Length level) {
            double h = Math.max(0, level.cm());
            return h >= bowl.cm() ? disc(diameter.cm() / 2) / 100 : Math.PI * h * (2 * sphereRadius() - h) / 100;
        }

        @Override
        public double wettedDm2(Length level) {
            double h = Math.max(0, level.cm());
            double cap = 2 * Math.PI * sphereRadius() * Math.min(h, bowl.cm());
            return (cap + Math.PI * diameter.cm() * Math.max(0, h - bowl.cm())) / 100;
        }
    }

    private static double disc(double radius) {
        return Math.PI * radius * radius;
    }
}
