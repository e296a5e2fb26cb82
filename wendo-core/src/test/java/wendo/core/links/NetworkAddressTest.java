package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Both sides of blocks of the IANA IPv4 and IPv6 Special-Purpose Address Registries (RFC 6890), from memory. */
class NetworkAddressTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "0.0.0.0",
                "10.255.255.255",
                "100.64.0.1",
                "100.127.255.255",
                "127.0.0.1",
                "127.9.9.9",
                "169.254.169.254",
                "172.16.0.1",
                "172.31.255.255",
                "192.168.1.1",
                "198.19.255.255",
                "224.0.0.1",
                "255.255.255.255",
                "::1",
                "::",
                "::ffff:10.0.0.1",
                "fe80::1",
                "fec0::1",
                "fd12::1",
                "ff02::1",
                "64:ff9b::a00:1",
                "2002:a00:1::1",
                "2001:db8::1"
            })
    void addresses_that_only_a_machine_or_its_network_reaches_are_closed(String address) throws UnknownHostException {
        assertThat(NetworkAddress.isPublic(InetAddress.getByName(address))).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1.0.0.0", "9.255.255.255", "11.0.0.0", "100.63.255.255", "100.128.0.0", "126.255.255.255",
                "128.0.0.1", "172.15.255.255", "172.32.0.0", "192.167.255.255", "192.169.0.0", "198.17.255.255",
                "198.20.0.0", "223.255.255.255", "2001:4860::1", "2a00::1", "2003::1", "fbff::1"
            })
    void their_neighbours_are_open(String address) throws UnknownHostException {
        assertThat(NetworkAddress.isPublic(InetAddress.getByName(address))).isTrue();
    }
}
