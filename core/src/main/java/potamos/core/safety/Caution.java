package potamos.core.safety;

/** Dangers, shown at the step where they matter. */
public enum Caution {
    RUNNING_FAT,
    DRAINING_BLANCH,
    FLAMING,
    BLADES,
    TWINE,
    LIFTING,
    HOT_STRAINING,
    UNATTENDED,
    KELP_IODINE,
    RAW_BONES,
    SEALED_WARM,
    HOT_POT_IN_COLD_STORE
}
