package potamos.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.quantity.Temperature;

class LimitProfileTest {

    private static final LimitProfile PUBLISHED = LimitProfile.shipped().get(0);

    private static LimitProfile within(LimitProfile profile, int minutes) {
        LimitProfile.Stage first = profile.stages().get(0);
        return with(
                profile,
                profile.id(),
                profile.name(),
                new LimitProfile.Stage(first.from(), first.to(), Duration.ofMinutes(minutes)));
    }

    private static LimitProfile named(LimitProfile profile, String name) {
        return with(profile, "own", name, profile.stages().get(0));
    }

    private static LimitProfile with(LimitProfile profile, String id, String name, LimitProfile.Stage first) {
        return new LimitProfile(
                id,
                name,
                profile.source(),
                List.of(first),
                profile.hotHold(),
                profile.coldStore(),
                profile.reheat(),
                profile.reheatWithin(),
                profile.beginWithin(),
                profile.coldDays(),
                profile.dayOfMaking());
    }

    @Test
    void aProfileThatAKitchenHasChangedDoesNotGoUnderThePublishedName() {
        LimitProfile changed = within(PUBLISHED, 24 * 60).asOf("Kestrel Lodge", PUBLISHED);
        assertThat(changed.id()).isEqualTo("own-1");
        assertThat(changed.name()).isEqualTo("Kestrel Lodge, own limits, version 1");
        assertThat(changed.source()).contains("changed from " + PUBLISHED.name());
        LimitProfile again = within(changed, 300).asOf("Kestrel Lodge", changed);
        assertThat(again.id()).isEqualTo("own-2");
        assertThat(again.source()).isEqualTo(changed.source());
    }

    @Test
    void aNameThatTheKitchenGivesIsKeptUnlessItIsSomebodyElses() {
        LimitProfile ours = named(within(PUBLISHED, 300), "Our plan").asOf("Kestrel Lodge", PUBLISHED);
        assertThat(ours.name()).isEqualTo("Our plan");
        assertThat(ours.id()).isEqualTo("own-1");
        String another = LimitProfile.shipped().get(1).name();
        assertThat(named(within(ours, 310), another).asOf("Kestrel Lodge", ours).name())
                .isEqualTo("Kestrel Lodge, own limits, version 2");
    }

    @Test
    void savedAsItIsItStaysWhatItWas() {
        LimitProfile changed = within(PUBLISHED, 300).asOf("Kestrel Lodge", PUBLISHED);
        assertThat(changed.asOf("Kestrel Lodge", changed)).isEqualTo(changed);
        assertThat(PUBLISHED.asOf("Kestrel Lodge", PUBLISHED)).isEqualTo(PUBLISHED);
    }

    @Test
    void putBackAsPublishedItHasThePublishedNameAgain() {
        LimitProfile changed = within(PUBLISHED, 300).asOf("Kestrel Lodge", PUBLISHED);
        assertThat(PUBLISHED.asOf("Kestrel Lodge", changed)).isEqualTo(PUBLISHED);
    }

    @Test
    void oneThatWasChangedBeforeNamesWereKeptApartGetsItsOwn() {
        LimitProfile old = within(PUBLISHED, 24 * 60);
        assertThat(old.asOf("Kestrel Lodge", old).name()).contains("own limits");
        assertThat(old.hotHold()).isEqualTo(Temperature.ofCelsius(57));
    }
}
