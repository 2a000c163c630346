package potamos.server.courses;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.server.KitchenClock;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Person;
import potamos.server.accounts.Secrets;
import potamos.server.problems.NotFound;

/** Secret addresses under which somebody's calendar program reads the course, with the rights of whoever made the address, and as long as they are there. */
@Service
class Calendars {

    private static final String ENDING = ".ics";

    private final Rows rows;
    private final Accounts accounts;
    private final KitchenClock clock;

    Calendars(Rows rows, Accounts accounts, KitchenClock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** Rows of addresses. */
    @Mapper
    interface Rows {

        record Row(String id, String kitchenId, String accountId, String hash, Instant madeAt) {}

        @Insert("""
                INSERT INTO calendar_feed (id, kitchen_id, account_id, hash, made_at)
                VALUES (#{id}, #{kitchenId}, #{accountId}, #{hash}, #{madeAt})
                """)
        void insert(Row row);

        @Select(
                "SELECT id, kitchen_id, account_id, hash, made_at FROM calendar_feed WHERE hash = #{hash} AND ended_at IS NULL")
        Optional<Row> byHash(String hash);

        @Select("""
                SELECT id, kitchen_id, account_id, hash, made_at FROM calendar_feed
                WHERE account_id = #{accountId} AND ended_at IS NULL
                """)
        Optional<Row> of(String accountId);

        @Update("UPDATE calendar_feed SET ended_at = #{at} WHERE account_id = #{accountId} AND ended_at IS NULL")
        void end(String accountId, Instant at);
    }

    /** When somebody's address was made; nothing where there is none. */
    Optional<Instant> madeAt(Person person) {
        person.requireALook();
        return rows.of(person.id()).map(Rows.Row::madeAt);
    }

    /**
     * Makes an address; one from before ends by that.
     *
     * @return its path, told this once
     */
    @Transactional
    public String make(Person person) {
        person.requireALook();
        String secret = Secrets.fresh();
        rows.end(person.id(), clock.instant());
        rows.insert(new Rows.Row(
                UUID.randomUUID().toString(), person.kitchenId(), person.id(), Secrets.hash(secret), clock.instant()));
        return "/api/calendars/" + secret + ENDING;
    }

    @Transactional
    public void end(Person person) {
        rows.end(person.id(), clock.instant());
    }

    /**
     * Whose calendar an address is.
     *
     * @throws NotFound where nobody's is, or whose it was has left
     */
    Person whose(String address) {
        if (!address.endsWith(ENDING)) {
            throw new NotFound("calendar");
        }
        String secret = address.substring(0, address.length() - ENDING.length());
        return rows.byHash(Secrets.hash(secret))
                .flatMap(row -> accounts.present(row.accountId(), row.kitchenId()))
                .orElseThrow(() -> new NotFound("calendar"));
    }
}
