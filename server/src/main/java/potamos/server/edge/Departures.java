package potamos.server.edge;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.eclipse.jetty.io.EndPoint;
import org.eclipse.jetty.server.Request;

/**
 * Sees who has gone while an answer is worked on. HTTP/1.1 reads nothing from a line until its answer is written, so that its end is not noticed; the
 * kernel knows it and tells in its table of connections. A line whose other end says that nothing more will come counts as left. Where there is no such
 * table, nobody is seen to go, and work ends by its own time.
 */
final class Departures {

    private static final List<Path> TABLES = List.of(Path.of("/proc/self/net/tcp"), Path.of("/proc/self/net/tcp6"));
    private static final String OPEN = "01";
    private static final int LOCAL = 1;
    private static final int REMOTE = 2;
    private static final int STATE = 3;

    private record Ports(int local, int remote) {}

    private final Map<Asker, Ports> waiting = new ConcurrentHashMap<>();

    /** From now on it is watched whether they go. */
    Asker watch(Request request) {
        Asker asker = new Asker();
        EndPoint line = request.getConnectionMetaData().getConnection().getEndPoint();
        if (line.getLocalSocketAddress() instanceof InetSocketAddress local
                && line.getRemoteSocketAddress() instanceof InetSocketAddress remote) {
            waiting.put(asker, new Ports(local.getPort(), remote.getPort()));
        }
        return asker;
    }

    void forget(Asker asker) {
        waiting.remove(asker);
    }

    /** Tells those who are gone by now that they are. */
    void look() {
        if (waiting.isEmpty()) {
            return;
        }
        Map<Asker, Ports> asked = Map.copyOf(waiting);
        Set<Ports> open = new HashSet<>();
        if (!read(open)) {
            return;
        }
        asked.forEach((asker, ports) -> {
            if (!open.contains(ports)) {
                forget(asker);
                asker.go();
            }
        });
    }

    /** By their ports alone: of two clients with the same one behind different addresses neither is given up while one is there. */
    private static boolean read(Set<Ports> open) {
        boolean any = false;
        for (Path table : TABLES) {
            try {
                for (String line : Files.readAllLines(table)) {
                    String[] fields = line.trim().split("\\s+");
                    if (fields.length > STATE && fields[STATE].equals(OPEN)) {
                        open.add(new Ports(port(fields[LOCAL]), port(fields[REMOTE])));
                    }
                }
                any = true;
            } catch (IOException none) {
                // This machine has none of this kind, or of any.
            }
        }
        return any;
    }

    private static int port(String address) {
        return Integer.parseInt(address.substring(address.lastIndexOf(':') + 1), 16);
    }
}
