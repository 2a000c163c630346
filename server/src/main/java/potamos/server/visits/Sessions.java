package potamos.server.visits;

import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.config.annotation.web.http.EnableJdbcHttpSession;
import org.springframework.transaction.support.TransactionOperations;
import potamos.server.KitchenClock;
import potamos.server.accounts.SessionLife;

/**
 * Sessions lie in the database, and are written when something of them changes. That somebody was here is noted once a minute and not with every
 * request: a screen asks several times a second while a finger drags, and each note would wait for the disk.
 */
@Configuration
@EnableJdbcHttpSession(cleanupCron = "0 7 * * * *")
class Sessions {

    private static final Duration NOTED_EVERY = Duration.ofMinutes(1);

    /** A session is one row to read and one to write; a transaction around each would only add round trips. */
    @Bean
    TransactionOperations springSessionTransactionOperations() {
        return TransactionOperations.withoutTransaction();
    }

    @Bean
    @Primary
    SessionRepository<? extends Session> calmSessions(JdbcIndexedSessionRepository stored, KitchenClock clock) {
        stored.setDefaultMaxInactiveInterval(SessionLife.LONGEST);
        return new Calm<>(stored, clock);
    }

    private record Calm<S extends Session>(SessionRepository<S> stored, KitchenClock clock)
            implements SessionRepository<Visit<S>> {

        @Override
        public Visit<S> createSession() {
            return new Visit<>(stored.createSession());
        }

        @Override
        public void save(Visit<S> visit) {
            stored.save(visit.session());
        }

        @Override
        public Visit<S> findById(String id) {
            S session = stored.findById(id);
            if (session == null) {
                return null;
            }
            // However busy it was, it ends.
            if (session.getCreationTime().plus(SessionLife.LONGEST).isBefore(clock.machine())) {
                stored.deleteById(id);
                return null;
            }
            return new Visit<>(session);
        }

        @Override
        public void deleteById(String id) {
            stored.deleteById(id);
        }
    }

    private record Visit<S extends Session>(S session) implements Session {

        @Override
        public void setLastAccessedTime(Instant at) {
            if (at.isAfter(session.getLastAccessedTime().plus(NOTED_EVERY))) {
                session.setLastAccessedTime(at);
            }
        }

        @Override
        public Instant getLastAccessedTime() {
            return session.getLastAccessedTime();
        }

        @Override
        public String getId() {
            return session.getId();
        }

        @Override
        public String changeSessionId() {
            return session.changeSessionId();
        }

        @Override
        public <T> T getAttribute(String name) {
            return session.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return session.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, Object value) {
            session.setAttribute(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            session.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return session.getCreationTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            session.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return session.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return session.isExpired();
        }
    }
}
