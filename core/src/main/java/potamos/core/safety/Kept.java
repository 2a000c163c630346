package potamos.core.safety;

/** How something is kept. */
public enum Kept {
    COLD,
    FROZEN
}
