package wendo.app.linkhost.redirect;

import io.netty.buffer.Unpooled;
import io.netty.channel.ChannelFutureListener;
import io.netty.channel.ChannelHandlerContext;
import io.netty.channel.SimpleChannelInboundHandler;
import io.netty.handler.codec.http.DefaultFullHttpResponse;
import io.netty.handler.codec.http.FullHttpResponse;
import io.netty.handler.codec.http.HttpHeaderNames;
import io.netty.handler.codec.http.HttpHeaderValues;
import io.netty.handler.codec.http.HttpObject;
import io.netty.handler.codec.http.HttpRequest;
import io.netty.handler.codec.http.HttpResponseStatus;
import io.netty.handler.codec.http.HttpUtil;
import io.netty.handler.codec.http.HttpVersion;
import io.netty.handler.timeout.ReadTimeoutException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** One connection to the link server. It is asked one thing at a time. */
final class LinkConnection extends SimpleChannelInboundHandler<HttpObject> {
    private static final Logger LOG = LoggerFactory.getLogger(LinkConnection.class);

    private final LinkResponder answers;
    private final PendingRedirects departures;
    private final HostPages pages;
    private final boolean believesProxies;
    private boolean isAnswering;

    LinkConnection(LinkResponder answers, PendingRedirects departures, HostPages pages, boolean believesProxies) {
        this.answers = answers;
        this.departures = departures;
        this.pages = pages;
        this.believesProxies = believesProxies;
    }

    @Override
    protected void channelRead0(ChannelHandlerContext context, HttpObject part) {
        if (!(part instanceof HttpRequest request)) {
            return; // a body says nothing to a link
        }
        if (isAnswering || request.decoderResult().isFailure()) {
            context.close();
            return;
        }
        isAnswering = true;
        boolean stays = HttpUtil.isKeepAlive(request);
        LinkResponse answer =
                answers.to(NettyLinkRequest.of(request, context.channel().remoteAddress(), believesProxies));
        if (answer instanceof LinkResponse.Redirect led && led.visit().isPresent()) {
            departures.add(led.visit().get(), () -> send(context, led(led), stays));
        } else if (answer instanceof LinkResponse.Card card) {
            departures.add(card.visit(), () -> send(context, shown(pages.of(card)), stays));
        } else if (answer instanceof LinkResponse.Tagged tagged) {
            departures.add(tagged.visit(), () -> send(context, shown(pages.of(tagged)), stays));
        } else {
            send(context, response(answer, request), stays);
        }
    }

    private FullHttpResponse response(LinkResponse answer, HttpRequest request) {
        if (answer instanceof LinkResponse.Redirect led) {
            return led(led);
        }
        if (answer instanceof LinkResponse.Host host) {
            return shown(pages.of(host));
        }
        if (answer instanceof LinkResponse.DeadEnd nowhere
                && !request.method().name().equals("HEAD")) {
            return shown(pages.of(nowhere));
        }
        FullHttpResponse response = text(HttpResponseStatus.NOT_FOUND, "");
        DeadEnd.HEADERS.forEach(response.headers()::set);
        return response;
    }

    private static FullHttpResponse shown(HostPages.Page page) {
        FullHttpResponse response =
                text(HttpResponseStatus.valueOf(page.status().value()), page.html());
        page.headers().forEach(response.headers()::set);
        return response;
    }

    private static FullHttpResponse led(LinkResponse.Redirect led) {
        FullHttpResponse response = text(HttpResponseStatus.FOUND, "");
        RedirectHeaders.of(led, response.headers()::add);
        return response;
    }

    private static FullHttpResponse text(HttpResponseStatus status, String body) {
        return new DefaultFullHttpResponse(
                HttpVersion.HTTP_1_1,
                status,
                body.isEmpty() ? Unpooled.EMPTY_BUFFER : Unpooled.copiedBuffer(body, StandardCharsets.UTF_8));
    }

    private void send(ChannelHandlerContext context, FullHttpResponse response, boolean stays) {
        isAnswering = false;
        response.headers()
                .setInt(HttpHeaderNames.CONTENT_LENGTH, response.content().readableBytes());
        if (stays) {
            context.writeAndFlush(response, context.voidPromise());
        } else {
            response.headers().set(HttpHeaderNames.CONNECTION, HttpHeaderValues.CLOSE);
            context.writeAndFlush(response).addListener(ChannelFutureListener.CLOSE);
        }
    }

    @Override
    public void exceptionCaught(ChannelHandlerContext context, Throwable cause) {
        if (!(cause instanceof ReadTimeoutException) && !(cause instanceof IOException)) {
            LOG.warn("A link could not be answered", cause);
        }
        context.close();
    }
}
