package wendo.app.linkhost.redirect;

import io.netty.bootstrap.ServerBootstrap;
import io.netty.channel.Channel;
import io.netty.channel.ChannelInitializer;
import io.netty.channel.ChannelOption;
import io.netty.channel.EventLoop;
import io.netty.channel.EventLoopGroup;
import io.netty.channel.MultiThreadIoEventLoopGroup;
import io.netty.channel.nio.NioIoHandler;
import io.netty.channel.socket.SocketChannel;
import io.netty.channel.socket.nio.NioServerSocketChannel;
import io.netty.handler.codec.http.HttpServerCodec;
import io.netty.handler.timeout.ReadTimeoutHandler;
import io.netty.util.ResourceLeakDetector;
import java.net.InetSocketAddress;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Installation;
import wendo.app.visit.visits.VisitPipeline;

/**
 * Answers link hosts on a port of their own, for those who send links there by the thousands each second: it shares no
 * thread, lock or transaction with the pages. Whatever is no link, the pages' port has.
 */
@Component
class LinkServer implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LinkServer.class);
    private static final int MAX_LINE = 16 * 1024;
    private static final int MAX_HEADERS = 32 * 1024;
    private static final int MAX_CHUNK = 8 * 1024;
    private static final int IDLE_SECONDS = 30;
    private static final int BACKLOG = 1024;

    private final LinkResponder answers;
    private final VisitPipeline road;
    private final HostPages pages;
    private static final int MAX_PORT = 65_535;

    private final Optional<InetSocketAddress> address;
    private final boolean believesProxies;
    private @Nullable EventLoopGroup loops;
    private @Nullable Channel channel;

    LinkServer(
            LinkResponder answers,
            VisitPipeline road,
            HostPages pages,
            Installation installation,
            @Value("${server.address:}") String address,
            @Value("${server.forward-headers-strategy}") String forwarded) {
        this.answers = answers;
        this.road = road;
        this.pages = pages;
        this.address = installation.linkPort().isEmpty()
                ? Optional.empty()
                : Optional.of(socket(address, number(installation.linkPort())));
        this.believesProxies = !forwarded.equalsIgnoreCase("none");
    }

    private static int number(String port) {
        if (!port.matches("\\d{1,5}") || Integer.parseInt(port) > MAX_PORT) {
            throw new IllegalArgumentException(
                    "WENDO_LINK_PORT must be a port, 0 to %d, or empty for none, but was \"%s\"."
                            .formatted(MAX_PORT, port));
        }
        return Integer.parseInt(port);
    }

    private static InetSocketAddress socket(String address, int port) {
        return address.isEmpty() ? new InetSocketAddress(port) : new InetSocketAddress(address, port);
    }

    @Override
    public void start() {
        if (address.isEmpty()) {
            return;
        }
        ResourceLeakDetector.setLevel(ResourceLeakDetector.Level.DISABLED); // no buffer is handed on here by hand
        EventLoopGroup started = new MultiThreadIoEventLoopGroup(loops(), NioIoHandler.newFactory());
        loops = started;
        Map<EventLoop, PendingRedirects> departures = new ConcurrentHashMap<>();
        channel = new ServerBootstrap()
                .group(started)
                .channel(NioServerSocketChannel.class)
                .option(ChannelOption.SO_BACKLOG, BACKLOG)
                .option(ChannelOption.SO_REUSEADDR, true)
                .childOption(ChannelOption.TCP_NODELAY, true)
                .childHandler(new ChannelInitializer<SocketChannel>() {
                    @Override
                    protected void initChannel(SocketChannel connection) {
                        connection
                                .pipeline()
                                .addLast(new ReadTimeoutHandler(IDLE_SECONDS))
                                .addLast(new HttpServerCodec(MAX_LINE, MAX_HEADERS, MAX_CHUNK))
                                .addLast(new LinkConnection(
                                        answers,
                                        departures.computeIfAbsent(
                                                connection.eventLoop(), loop -> new PendingRedirects(loop, road)),
                                        pages,
                                        believesProxies));
                    }
                })
                .bind(address.get())
                .syncUninterruptibly()
                .channel();
        LOG.info("Links are answered at {}", channel.localAddress());
    }

    /** Half the cores: the log, the database's share and the pages have the others. */
    private static int loops() {
        return Math.max(1, Runtime.getRuntime().availableProcessors() / 2);
    }

    /** Empty if links have no port of their own. */
    Optional<Integer> port() {
        return Optional.ofNullable(channel).map(open -> ((InetSocketAddress) open.localAddress()).getPort());
    }

    @Override
    public void stop() {
        if (channel != null) {
            channel.close().syncUninterruptibly();
            channel = null;
        }
        if (loops != null) {
            loops.shutdownGracefully().syncUninterruptibly();
            loops = null;
        }
    }

    @Override
    public boolean isRunning() {
        return channel != null;
    }

    /** After the directory knows its links, with the web server. */
    @Override
    public int getPhase() {
        return SmartLifecycle.DEFAULT_PHASE - 1024;
    }
}
