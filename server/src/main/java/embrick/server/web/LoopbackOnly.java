package embrick.server.web;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** There are no accounts yet: the application refuses to start where others could reach it. */
@Component
class LoopbackOnly {
    LoopbackOnly(@Value("${server.address}") String address) throws UnknownHostException {
        if (!InetAddress.getByName(address).isLoopbackAddress()) {
            throw new IllegalStateException(
                    "server.address: expected an address of this machine only, such as 127.0.0.1, got " + address);
        }
    }
}
