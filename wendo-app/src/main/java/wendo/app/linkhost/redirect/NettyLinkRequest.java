package wendo.app.linkhost.redirect;

import io.netty.handler.codec.http.HttpHeaderNames;
import io.netty.handler.codec.http.HttpRequest;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.net.UnknownHostException;
import java.util.regex.Pattern;
import wendo.core.links.NetworkAddress;

/** What the link server was asked. */
record NettyLinkRequest(HttpRequest request, String host, String path, String query, String address, boolean isSecure)
        implements LinkRequest {
    private static final Pattern NUMERIC = Pattern.compile("[0-9a-fA-F:.]{2,45}");

    /** @param believesProxies whether a caller of a private network is believed about who asks, and how */
    static NettyLinkRequest of(HttpRequest request, SocketAddress caller, boolean believesProxies) {
        String uri = request.uri();
        int question = uri.indexOf('?');
        InetAddress peer = ((InetSocketAddress) caller).getAddress();
        boolean believed = believesProxies && !NetworkAddress.isPublic(peer);
        return new NettyLinkRequest(
                request,
                withoutPort(header(request, HttpHeaderNames.HOST.toString())),
                question < 0 ? uri : uri.substring(0, question),
                question < 0 ? "" : uri.substring(question + 1),
                believed ? forwarded(header(request, "X-Forwarded-For"), peer) : peer.getHostAddress(),
                believed && header(request, "X-Forwarded-Proto").equals("https"));
    }

    private static String withoutPort(String host) {
        int colon = host.lastIndexOf(':');
        return colon < 0 || host.endsWith("]") ? host : host.substring(0, colon);
    }

    /** The last address that no proxy of the own network added; callers can put what they like before it. */
    private static String forwarded(String chain, InetAddress peer) {
        String[] addresses = chain.split(",", -1);
        String last = peer.getHostAddress();
        for (int i = addresses.length - 1; i >= 0; i--) {
            String one = addresses[i].strip();
            if (!NUMERIC.matcher(one).matches()) {
                return last;
            }
            last = one;
            if (isPublic(one)) {
                return one;
            }
        }
        return last;
    }

    private static boolean isPublic(String numeric) {
        try {
            return NetworkAddress.isPublic(InetAddress.getByName(numeric));
        } catch (UnknownHostException e) {
            return false;
        }
    }

    @Override
    public String method() {
        return request.method().name();
    }

    @Override
    public String header(String name) {
        return header(request, name);
    }

    private static String header(HttpRequest request, String name) {
        String value = request.headers().get(name);
        return value == null ? "" : value;
    }
}
