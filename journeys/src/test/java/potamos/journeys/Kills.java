package potamos.journeys;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Kills the application and its database again and again while eight people log, each sending an act until it is acknowledged, as a screen does. What
 * was acknowledged has to be there afterwards, once. Bounded in kills; stops by itself.
 */
public final class Kills {
    private static final int CLIENTS = 8;
    private static final Duration LONGEST_AWAY = Duration.ofMinutes(5);
    private static final Duration LONGEST_ANSWER = Duration.ofSeconds(15);
    private static final List<String> PEOPLE = List.of("ilse", "tomaz");
    private static final Pattern IDS = Pattern.compile("\"id\":\"([0-9a-f-]{36})\"");
    /** So many acts a second together that the batches of the demo are not full before the end. */
    private final double actsASecond;

    private final WatchedPotamos potamos;
    private final Random chance;
    private final ConcurrentHashMap<String, String> acknowledged = new ConcurrentHashMap<>();
    /** When the latest of those acts was made that were taken. */
    private final AtomicLong latestMade = new AtomicLong(Long.MIN_VALUE);

    private volatile boolean on = true;

    private Kills(WatchedPotamos potamos, double actsASecond, long seed) {
        this.potamos = potamos;
        this.actsASecond = actsASecond;
        this.chance = new Random(seed);
    }

    /**
     * What came of it.
     *
     * @param acknowledged acts whose sender was told that they are there
     * @param lost         of those, how many are not
     * @param doubled      how many are there twice
     * @param applicationS seconds from the kill of the application to an answer, each
     * @param databaseS    the same for the database
     */
    record Outcome(int acknowledged, int lost, int doubled, List<Double> applicationS, List<Double> databaseS) {}

    /**
     * @param application how often the application is killed
     * @param database    how often the database is
     */
    static Outcome of(WatchedPotamos potamos, int application, int database, double actsASecond, long seed) {
        return new Kills(potamos, actsASecond, seed).run(application, database);
    }

    private Outcome run(int application, int database) {
        List<String> batches = idsIn(new Client("ilse").get("/api/batches"));
        CountDownLatch left = new CountDownLatch(CLIENTS);
        List<Client> clients = new ArrayList<>();
        for (int i = 0; i < CLIENTS; i++) {
            Client client = new Client(PEOPLE.get(i % PEOPLE.size()));
            clients.add(client);
            int first = i;
            Thread thread = new Thread(() -> {
                client.logOn(batches, first);
                left.countDown();
            });
            thread.setDaemon(true);
            thread.start();
        }
        List<Boolean> order = new ArrayList<>(Collections.nCopies(application, true));
        order.addAll(Collections.nCopies(database, false));
        Collections.shuffle(order, chance);
        List<Double> applicationS = new ArrayList<>();
        List<Double> databaseS = new ArrayList<>();
        for (boolean killsApplication : order) {
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(500 + chance.nextInt(1500)));
            if (killsApplication) {
                potamos.killApplication();
            } else {
                potamos.killDatabase();
            }
            (killsApplication ? applicationS : databaseS).add(untilAnActIsTaken());
        }
        LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(1));
        on = false;
        try {
            if (!left.await(LONGEST_AWAY.toSeconds(), TimeUnit.SECONDS)) {
                throw new IllegalStateException("an act was never acknowledged; last answers: "
                        + clients.stream().map(client -> client.heard).toList());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        return count(batches, applicationS, databaseS);
    }

    /** Seconds until an act is acknowledged that was made after the kill; it needs both, the application and the database. */
    private double untilAnActIsTaken() {
        long killed = System.nanoTime();
        while (latestMade.get() < killed) {
            if (System.nanoTime() - killed > LONGEST_AWAY.toNanos()) {
                throw new IllegalStateException("no act is taken any more");
            }
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(20));
        }
        return (System.nanoTime() - killed) / 1e9;
    }

    private Outcome count(List<String> batches, List<Double> applicationS, List<Double> databaseS) {
        Client reader = new Client("ilse");
        ConcurrentHashMap<String, Integer> there = new ConcurrentHashMap<>();
        for (String batch : batches) {
            String events = reader.get("/api/batches/" + batch);
            events = events.substring(events.indexOf("\"events\":"));
            idsIn(events).forEach(id -> there.merge(id, 1, Integer::sum));
        }
        int lost = (int) acknowledged.keySet().stream()
                .filter(id -> !there.containsKey(id))
                .count();
        int doubled = (int) acknowledged.keySet().stream()
                .filter(id -> there.getOrDefault(id, 0) > 1)
                .count();
        return new Outcome(acknowledged.size(), lost, doubled, applicationS, databaseS);
    }

    private static List<String> idsIn(String json) {
        List<String> ids = new ArrayList<>();
        Matcher matcher = IDS.matcher(json);
        while (matcher.find()) {
            ids.add(matcher.group(1));
        }
        return ids;
    }

    /** Somebody at a screen, without the screen. */
    private final class Client {
        private final String name;
        private final CookieManager cookies = new CookieManager();
        private volatile String heard = "";
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .version(HttpClient.Version.HTTP_1_1)
                .connectTimeout(Duration.ofSeconds(2))
                .build();

        private Client(String name) {
            this.name = name;
            signIn();
        }

        private void signIn() {
            get("/api/session");
            post("/api/session", "{\"signIn\": \"%s\", \"password\": \"kestrel-%s\"}".formatted(name, name));
        }

        private void logOn(List<String> batches, int first) {
            long pace = (long) (CLIENTS / actsASecond * 1e9);
            for (int i = first; on; i++) {
                String id = UUID.randomUUID().toString();
                String batch = batches.get(i % batches.size());
                String act = "{\"id\": \"%s\", \"kind\": \"noted\", \"at\": \"%s\", \"words\": \"still here\"}"
                        .formatted(id, Instant.parse("2026-03-03T10:10:00Z"));
                long made = System.nanoTime();
                while (!post("/api/batches/" + batch + "/acts", act)) {
                    LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(200));
                    // What is sent again was not taken before; it is as good as made anew.
                    made = System.nanoTime();
                }
                latestMade.accumulateAndGet(made, Math::max);
                acknowledged.put(id, batch);
                LockSupport.parkNanos(pace);
            }
        }

        private String get(String path) {
            while (true) {
                try {
                    HttpResponse<String> answer = answer(request(path).GET());
                    if (answer.statusCode() == 200) {
                        return answer.body();
                    }
                } catch (IOException away) {
                    // Asked again.
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    throw new IllegalStateException(e);
                }
                LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(200));
            }
        }

        /** Whether it was acknowledged. An answer that is a refusal would be sent again for ever, so it ends everything. */
        private boolean post(String path, String json) {
            try {
                HttpResponse<String> answer = answer(request(path)
                        .header("Content-Type", "application/json")
                        .header("X-XSRF-TOKEN", token())
                        .POST(HttpRequest.BodyPublishers.ofString(json)));
                heard = answer.statusCode() + " at " + Instant.now();
                if (answer.statusCode() < 300) {
                    return true;
                }
                if (answer.statusCode() == 503 || answer.statusCode() == 429) {
                    return false;
                }
                heard += ", and no more: " + answer.body();
                throw new IllegalStateException(path + " answered " + answer.statusCode() + ": " + answer.body());
            } catch (IOException away) {
                heard = away + " at " + Instant.now();
                return false;
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        /** Waits for all of it: a request's own timeout ends with its first byte, and a line that is cut after that was seen to wait for ever. */
        private HttpResponse<String> answer(HttpRequest.Builder request) throws IOException, InterruptedException {
            CompletableFuture<HttpResponse<String>> answer =
                    http.sendAsync(request.build(), HttpResponse.BodyHandlers.ofString());
            try {
                return answer.get(LONGEST_ANSWER.toMillis(), TimeUnit.MILLISECONDS);
            } catch (TimeoutException | ExecutionException away) {
                answer.cancel(true);
                throw new IOException(away);
            }
        }

        private String token() {
            return cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .orElse("");
        }

        private HttpRequest.Builder request(String path) {
            return HttpRequest.newBuilder(URI.create(potamos.url() + path)).timeout(LONGEST_ANSWER);
        }
    }

    /** @param arguments how often the application and the database are killed */
    public static void main(String[] arguments) {
        int application = Integer.parseInt(arguments[0]);
        int database = Integer.parseInt(arguments[1]);
        try (WatchedPotamos potamos = WatchedPotamos.start("kills")) {
            Outcome outcome = of(potamos, application, database, 8, 1);
            System.out.printf(
                    Locale.ROOT,
                    "acts acknowledged %d, lost %d, doubled %d%n",
                    outcome.acknowledged(),
                    outcome.lost(),
                    outcome.doubled());
            report("application killed, until it answers", outcome.applicationS());
            report("database killed, until it answers", outcome.databaseS());
        }
    }

    private static void report(String what, List<Double> seconds) {
        List<Double> sorted = seconds.stream().sorted().toList();
        if (!sorted.isEmpty()) {
            System.out.printf(
                    Locale.ROOT,
                    "%-38s n %4d   p50 %5.1f s   p95 %5.1f s   max %5.1f s%n",
                    what,
                    sorted.size(),
                    sorted.get(sorted.size() / 2),
                    sorted.get((int) (sorted.size() * 0.95)),
                    sorted.get(sorted.size() - 1));
        }
    }
}
