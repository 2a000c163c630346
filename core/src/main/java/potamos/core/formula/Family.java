package potamos.core.formula;

/** The families of stock and their cousins. */
public enum Family {
    BROWN,
    WHITE,
    FISH,
    SHELLFISH,
    VEGETABLE,
    INFUSED,
    SECOND_WETTING,
    REDUCTION,
    COURT_BOUILLON
}
