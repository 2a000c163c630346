package potamos.server.visits;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;

/**
 * The state of a visit.
 *
 * @param now       the server's time, by which pages correct their own
 * @param firstRun  whether there is no kitchen yet
 * @param person    who is signed in
 * @param kitchen   its name
 * @param timeZone  in which its clocks run
 * @param shared    whether this is a tablet that several share, each signing with a PIN
 * @param startedAgain when the watchdog started the server again; empty when it has run since somebody started it
 * @param passwordSetBy who set the password that this person has come with and is to change; empty otherwise
 * @param demo      sign-ins of the demo; empty outside it
 */
record SessionView(
        @NotNull Instant now,
        boolean firstRun,
        Optional<PersonView> person,
        Optional<String> kitchen,
        Optional<String> timeZone,
        boolean shared,
        Optional<Instant> startedAgain,
        Optional<String> passwordSetBy,
        @NotNull List<DemoSignIns.DemoSignIn> demo) {

    /** The person as the pages see them. */
    record PersonView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String initials,
            @NotNull Role role,
            @NotNull String units,
            Optional<String> stationId,
            @NotNull List<Role.Right> rights,
            @NotNull Person.Signature signature) {

        static PersonView of(Person p) {
            return new PersonView(
                    p.id(),
                    p.name(),
                    p.initials(),
                    p.role(),
                    p.units(),
                    Optional.ofNullable(p.stationId()),
                    List.of(Role.Right.values()).stream().filter(p::may).toList(),
                    p.signature());
        }
    }
}
