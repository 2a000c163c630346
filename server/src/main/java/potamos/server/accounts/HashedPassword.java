package potamos.server.accounts;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;

/** Prints what is kept of a password that stands on the first line of the input: for whoever runs the machine, when nobody else can let somebody in. */
public final class HashedPassword {

    private HashedPassword() {}

    public static void main(String[] arguments) throws IOException {
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        Passwords passwords = new Passwords(new BCryptPasswordEncoder(SecurityConfiguration.STRONG));
        System.out.println(passwords.hashed(in.readLine(), List.of()));
    }
}
