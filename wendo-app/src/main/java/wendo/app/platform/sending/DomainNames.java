package wendo.app.platform.sending;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.apache.james.jspf.impl.DNSServiceXBillImpl;
import org.apache.james.jspf.impl.SPF;
import org.springframework.stereotype.Component;
import org.xbill.DNS.AAAARecord;
import org.xbill.DNS.ARecord;
import org.xbill.DNS.Cache;
import org.xbill.DNS.DClass;
import org.xbill.DNS.ExtendedResolver;
import org.xbill.DNS.Lookup;
import org.xbill.DNS.Name;
import org.xbill.DNS.Record;
import org.xbill.DNS.Resolver;
import org.xbill.DNS.SimpleResolver;
import org.xbill.DNS.TXTRecord;
import org.xbill.DNS.Type;
import wendo.app.platform.site.Installation;

/** Asks the domain name system, by the machine's own servers unless the installation names another. */
@Component
class DomainNames {
    private static final Duration PATIENCE = Duration.ofSeconds(4);

    private final String server;

    DomainNames(Installation installation) {
        this.server = installation.mail().nameServer();
    }

    private Resolver resolver() throws IOException {
        Resolver resolver = server.isEmpty() ? new ExtendedResolver() : new SimpleResolver(address());
        resolver.setTimeout(PATIENCE);
        return resolver;
    }

    private InetSocketAddress address() {
        int colon = server.lastIndexOf(':');
        return colon < 0
                ? new InetSocketAddress(server, SimpleResolver.DEFAULT_PORT)
                : new InetSocketAddress(server.substring(0, colon), Integer.parseInt(server.substring(colon + 1)));
    }

    /** The texts at a name, each whole; none if there is no such name. Throws if nobody answers. */
    List<String> texts(String name) {
        return records(name, Type.TXT).stream()
                .map(one -> String.join("", ((TXTRecord) one).getStrings()))
                .toList();
    }

    /** Where a host is; none if its name leads nowhere. */
    List<InetAddress> addresses(String host) {
        return Stream.concat(
                        records(host, Type.A).stream().map(one -> ((ARecord) one).getAddress()),
                        records(host, Type.AAAA).stream().map(one -> ((AAAARecord) one).getAddress()))
                .toList();
    }

    private List<Record> records(String name, int type) {
        try {
            Lookup lookup = new Lookup(Name.fromString(name + "."), type);
            lookup.setResolver(resolver());
            lookup.setCache(new Cache()); // what was just set is to be seen
            Record[] found = lookup.run();
            if (lookup.getResult() == Lookup.TRY_AGAIN || lookup.getResult() == Lookup.UNRECOVERABLE) {
                throw new IOException(lookup.getErrorString());
            }
            return found == null ? List.of() : List.of(found);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What receivers make of mail of this sender from this address: pass, fail, softfail, neutral, none or an error. RFC 7208. */
    String spf(InetAddress from, String sender, String host) {
        Lookup.getDefaultCache(DClass.IN).clearCache(); // the checker keeps answers there
        try {
            return new SPF(new DNSServiceXBillImpl(resolver()))
                    .checkSPF(from.getHostAddress(), sender, host)
                    .getResult();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
