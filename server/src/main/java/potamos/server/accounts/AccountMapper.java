package potamos.server.accounts;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of accounts and of failed sign-ins. */
@Mapper
public interface AccountMapper {

    /** An account as stored. */
    record Account(
            String id,
            String kitchenId,
            String stationId,
            String signIn,
            String name,
            String initials,
            String role,
            String units,
            String passwordHash,
            String passwordSetBy,
            Instant passwordSetAt) {}

    @Insert("""
            INSERT INTO account (id, kitchen_id, station_id, sign_in, name, initials, role, units, password_hash,
                                 password_set_by, password_set_at)
            VALUES (#{id}, #{kitchenId}, #{stationId}, #{signIn}, #{name}, #{initials}, #{role}, #{units}, #{passwordHash},
                    #{passwordSetBy}, #{passwordSetAt})
            """)
    void insert(Account account);

    /** Whoever only lists people has no use for hashes. */
    String ACCOUNTS = """
            SELECT a.id, a.kitchen_id, a.station_id, a.sign_in, a.name, a.initials, a.role,
                   COALESCE(a.units, k.units) AS units, '' AS password_hash, a.password_set_by, a.password_set_at
            FROM account a JOIN kitchen k ON k.id = a.kitchen_id
            """;

    @Select(ACCOUNTS + " WHERE a.sign_in = #{signIn}")
    Optional<Account> bySignIn(String signIn);

    @Select(ACCOUNTS + " WHERE a.id = #{id} AND a.kitchen_id = #{kitchenId}")
    Optional<Account> byId(String id, String kitchenId);

    /** Those who have not left. */
    @Select(ACCOUNTS + " WHERE a.kitchen_id = #{kitchenId} AND a.left_at IS NULL ORDER BY a.name")
    List<Account> ofKitchen(String kitchenId);

    @Select(ACCOUNTS + " WHERE a.kitchen_id = #{kitchenId} AND a.pin_hash IS NOT NULL ORDER BY a.name")
    List<Account> withPin(String kitchenId);

    @Select("SELECT password_hash FROM account WHERE sign_in = #{signIn}")
    Optional<String> passwordHash(String signIn);

    @Select("SELECT pin_hash FROM account WHERE id = #{id} AND kitchen_id = #{kitchenId} AND pin_hash IS NOT NULL")
    Optional<String> pinHash(String id, String kitchenId);

    /** A password chosen by oneself has nobody who set it. A PIN ends with the password that it was set under. */
    @Update("""
            UPDATE account SET password_hash = #{passwordHash}, password_set_by = #{by}, password_set_at = #{at}, pin_hash = NULL
            WHERE id = #{id}
            """)
    void setPassword(String id, String passwordHash, String by, Instant at);

    @Update("""
            UPDATE account SET left_at = #{at}, password_hash = #{passwordHash}, pin_hash = NULL WHERE id = #{id}
            """)
    void leave(String id, Instant at, String passwordHash);

    @Update("UPDATE account SET pin_hash = #{pinHash} WHERE id = #{id}")
    void setPin(String id, String pinHash);

    @Update("UPDATE account SET units = #{units} WHERE id = #{id}")
    void setUnits(String id, String units);

    /** What was tried so far, and when last; {@code tries} may be 0. */
    record Tried(int tries, Instant lastAt) {}

    /** Makes sure that there is a row to hold. */
    @Insert(
            "INSERT INTO sign_in_try (what, tries, last_at) VALUES (#{what}, 0, #{at}) ON DUPLICATE KEY UPDATE what = what")
    void beginTries(String what, Instant at);

    /** Holds the row until the transaction ends: tries are counted one after another. */
    @Select("SELECT tries, last_at FROM sign_in_try WHERE what = #{what} FOR UPDATE")
    Tried holdTries(String what);

    @Update("UPDATE sign_in_try SET tries = #{tries}, last_at = #{at} WHERE what = #{what}")
    void setTries(String what, int tries, Instant at);

    @Delete("DELETE FROM sign_in_try WHERE what = #{what} OR last_at < #{before}")
    void forgetTries(String what, Instant before);
}
