package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LoopbackOnlyTest {
    @ParameterizedTest
    @ValueSource(strings = {"127.0.0.1", "127.8.0.1", "::1"})
    void thisMachineIsFine(String address) {
        assertThatCode(() -> new LoopbackOnly(address)).doesNotThrowAnyException();
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.0.0.0", "192.168.1.4", "::"})
    void anywhereElseIsRefused(String address) {
        assertThatThrownBy(() -> new LoopbackOnly(address)).hasMessageContaining(address);
    }
}
