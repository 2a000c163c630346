package potamos.core.charge;

import potamos.core.formula.Part;
import potamos.core.quantity.Mass;

/** So much of a part to weigh out. */
public record Measure(Part part, Mass mass) {}
