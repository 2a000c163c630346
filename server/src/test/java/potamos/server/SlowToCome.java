package potamos.server;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;

/** Stands for the application on a busy machine: at its first start it answers at once, at every later one long after that. */
final class SlowToCome {

    private SlowToCome() {}

    /** @param arguments a file whose being there says that this is not the first start, and the seconds of a later one */
    public static void main(String[] arguments) throws IOException {
        Path started = Path.of(arguments[0]);
        if (Files.exists(started)) {
            LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(Long.parseLong(arguments[1])));
        } else {
            Files.createFile(started);
        }
        HttpServer server = HttpServer.create(
                new InetSocketAddress("127.0.0.1", Integer.parseInt(System.getenv("POTAMOS_PORT"))), 0);
        server.createContext("/", exchange -> {
            exchange.sendResponseHeaders(200, -1);
            exchange.close();
        });
        server.start();
    }
}
