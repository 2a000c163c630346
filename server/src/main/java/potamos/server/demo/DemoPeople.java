package potamos.server.demo;

import java.util.List;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.server.accounts.Role;
import potamos.server.visits.DemoSignIns;

/** The people of the demo kitchen. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoPeople implements DemoSignIns {

    /** One of them; {@code station} is null for those of the stock kitchen, {@code pin} for those who do not work at the pots. */
    record DemoPerson(String signIn, String name, Role role, String station, String does, String pin) {
        String password() {
            return "kestrel-" + signIn;
        }
    }

    static final List<DemoPerson> PEOPLE = List.of(
            new DemoPerson("ilse", "Ilse Varga", Role.COOK, null, "stock cook", "2481"),
            new DemoPerson("tomaz", "Tomaz Okafor", Role.CHEF, null, "sous chef", "3592"),
            new DemoPerson("bram", "Bram Castellan", Role.STATION, "Soup", "soup station", null),
            new DemoPerson("priya", "Priya Lindqvist", Role.STATION, "Sauce", "sauce station", null),
            new DemoPerson("noor", "Noor Heikkinen", Role.STATION, "Banquets", "banquets", null),
            new DemoPerson("wen", "Wen Abara", Role.TRAINEE, null, "trainee", "4603"),
            new DemoPerson("marta", "Marta Solberg", Role.REVIEWER, null, "food safety, reads only", null));

    @Override
    public List<DemoSignIn> all() {
        return PEOPLE.stream()
                .map(p -> new DemoSignIn(p.signIn(), p.password(), p.name(), p.does(), Optional.ofNullable(p.pin())))
                .toList();
    }
}
