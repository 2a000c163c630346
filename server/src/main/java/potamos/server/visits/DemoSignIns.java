package potamos.server.visits;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;

/** Sign-ins that may be shown on the sign-in page, there only while the demo's data is loaded. */
public interface DemoSignIns {

    List<DemoSignIn> all();

    /** One of them, with what the person does, and the PIN of those who have one. */
    record DemoSignIn(
            @NotNull String signIn,
            @NotNull String password,
            @NotNull String name,
            @NotNull String does,
            Optional<String> pin) {}
}
