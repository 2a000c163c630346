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
            String passwordHash) {}

    @Insert("""
            INSERT INTO account (id, kitchen_id, station_id, sign_in, name, initials, role, units, password_hash)
            VALUES (#{id}, #{kitchenId}, #{stationId}, #{signIn}, #{name}, #{initials}, #{role}, #{units}, #{passwordHash})
            """)
    void insert(Account account);

    /** Whoever only lists people has no use for hashes. */
    String ACCOUNTS = """
            SELECT a.id, a.kitchen_id, a.station_id, a.sign_in, a.name, a.initials, a.role,
                   COALESCE(a.units, k.units) AS units, '' AS password_hash
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

    @Update("UPDATE account SET password_hash = #{passwordHash} WHERE id = #{id}")
    void setPassword(String id, String passwordHash);

    @Update("""
            UPDATE account SET left_at = #{at}, password_hash = #{passwordHash}, pin_hash = NULL WHERE id = #{id}
            """)
    void leave(String id, Instant at, String passwordHash);

    @Update("UPDATE account SET pin_hash = #{pinHash} WHERE id = #{id}")
    void setPin(String id, String pinHash);

    @Update("UPDATE account SET units = #{units} WHERE id = #{id}")
    void setUnits(String id, String units);

    @Insert("INSERT INTO failed_sign_in (sign_in, address, at) VALUES (#{signIn}, #{address}, #{at})")
    void insertFailure(String signIn, String address, Instant at);

    @Select("SELECT COUNT(*) FROM failed_sign_in WHERE sign_in = #{signIn} AND at > #{since}")
    int failuresOf(String signIn, Instant since);

    @Select("SELECT COUNT(*) FROM failed_sign_in WHERE address = #{address} AND at > #{since}")
    int failuresFrom(String address, Instant since);

    @Delete("DELETE FROM failed_sign_in WHERE sign_in = #{signIn} OR at < #{before}")
    void forgetFailures(String signIn, Instant before);
}
