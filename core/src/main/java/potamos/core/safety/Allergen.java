package potamos.core.safety;

/** What must be declared. The EU and UK list of fourteen covers the US list of nine except for tree nuts by kind. */
public enum Allergen {
    CELERY,
    CRUSTACEANS,
    EGG,
    FISH,
    GLUTEN,
    LUPIN,
    MILK,
    MOLLUSCS,
    MUSTARD,
    NUTS,
    PEANUTS,
    SESAME,
    SOY,
    SULPHITES;

    /** Whether it lives in water. */
    public boolean swims() {
        return this == FISH || this == CRUSTACEANS || this == MOLLUSCS;
    }
}
