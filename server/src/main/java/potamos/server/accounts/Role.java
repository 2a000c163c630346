package potamos.server.accounts;

import java.util.EnumSet;
import java.util.Set;

/** What a person is in the kitchen, and so what they may do. */
public enum Role {
    COOK(Right.READ, Right.ASK, Right.PLAN, Right.ACT, Right.JUDGE, Right.DELIVER, Right.SET_UP),
    CHEF(Right.READ, Right.ASK, Right.PLAN, Right.ACT, Right.JUDGE, Right.VOUCH, Right.DELIVER, Right.SET_UP),
    TRAINEE(Right.READ, Right.ACT),
    STATION(Right.ASK),
    REVIEWER(Right.READ);

    /** Something that not everyone may do. */
    public enum Right {
        /** See everything that the kitchen makes. */
        READ,
        /** Ask for litres. */
        ASK,
        /** Accept plans. */
        PLAN,
        /** Log what was done at the pot. */
        ACT,
        /** Judge ends, correct the record, decide what happens to a failed cooling. */
        JUDGE,
        /** Answer for stock whose record does not prove that it cooled in time, and correct a record that failed. */
        VOUCH,
        /** Put away and hand out. */
        DELIVER,
        /** Change the kitchen's equipment and figures. */
        SET_UP
    }

    private final Set<Right> rights = EnumSet.noneOf(Right.class);

    Role(Right... rights) {
        this.rights.addAll(Set.of(rights));
    }

    public boolean may(Right right) {
        return rights.contains(right);
    }
}
