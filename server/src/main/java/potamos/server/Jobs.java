package potamos.server;

import net.javacrumbs.shedlock.core.LockProvider;
import net.javacrumbs.shedlock.provider.jdbctemplate.JdbcTemplateLockProvider;
import net.javacrumbs.shedlock.spring.annotation.EnableSchedulerLock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;

/** Jobs that only one of several instances has to do are locked in the database, by the database's clock. */
@Configuration
@EnableSchedulerLock(defaultLockAtMostFor = "PT9M")
class Jobs {

    @Bean
    LockProvider jobLocks(JdbcTemplate database) {
        return new JdbcTemplateLockProvider(JdbcTemplateLockProvider.Configuration.builder()
                .withJdbcTemplate(database)
                .usingDbTime()
                .build());
    }
}
