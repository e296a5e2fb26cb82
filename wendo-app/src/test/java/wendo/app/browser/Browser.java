package wendo.app.browser;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import wendo.app.Http;

/** Headless Chromium, started once for all tests, with a list of all that must not happen in the pages of one. */
final class Browser implements AutoCloseable {
    private static final com.microsoft.playwright.Browser CHROMIUM = Playwright.create()
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    private static final List<String> AGAIN = List.of(
            "color-contrast",
            "link-in-text-block",
            "target-size",
            "button-name",
            "link-name",
            "label",
            "aria-hidden-focus",
            "scrollable-region-focusable");

    private final List<BrowserContext> contexts = new ArrayList<>();

    /** Errors in the console, policy violations, faults of the server, and requests that leave this machine. */
    final List<String> complaints = new CopyOnWriteArrayList<>();

    Page page(int width, int height) {
        return page(width, height, true);
    }

    Page pageWithoutScript() {
        return page(1280, 800, false);
    }

    private Page page(int width, int height, boolean script) {
        BrowserContext context = CHROMIUM.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setJavaScriptEnabled(script)
                .setViewportSize(width, height)
                .setUserAgent(Http.BROWSER)
                .setReducedMotion(com.microsoft.playwright.options.ReducedMotion.REDUCE)
                .setPermissions(List.of("clipboard-read", "clipboard-write")));
        contexts.add(context);
        context.addInitScript(
                "document.addEventListener('securitypolicyviolation', e => console.error('policy: ' + e.violatedDirective + ' ' + e.blockedURI))");
        context.onRequest(request -> {
            String host = URI.create(request.url().replaceFirst("[?#].*$", "")).getHost();
            if (host != null
                    && !host.equals("localhost")
                    && !host.endsWith(".localhost")
                    && !host.equals("127.0.0.1")) {
                complaints.add("left loopback: " + request.url());
            }
        });
        context.onResponse(response -> {
            if (response.status() >= 500) {
                complaints.add(response.status() + " " + response.url());
            }
        });
        context.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                complaints.add("console: " + message.text());
            }
        });
        context.onWebError(error -> complaints.add("script: " + error.error()));
        return context.newPage();
    }

    /**
     * What axe finds wrong with the page, in words; none is the only good answer. It runs in the page itself and lists
     * nothing but violations, which takes a third of the time of a whole report.
     */
    static List<String> axe(Page page) {
        return axe(page, List.of());
    }

    /** The same of a page that was looked at already, in another size or in other colours: what these may change. */
    static List<String> axeAgain(Page page) {
        return axe(page, AGAIN);
    }

    /** @param rules empty for all of them */
    @SuppressWarnings("unchecked")
    private static List<String> axe(Page page, List<String> rules) {
        if ((boolean) page.evaluate("typeof axe === 'undefined'")) {
            page.evaluate(AxeBuilder.getAxeScript());
        }
        return (List<String>) page.evaluate("""
                (rules) => axe.run(document, { resultTypes: ["violations"], ...(rules.length && { runOnly: rules }) })
                    .then((found) =>
                        found.violations.map((one) => `${one.id}: ${one.nodes.slice(0, 3).map((node) => node.html)}`))
                """, rules);
    }

    @Override
    public void close() {
        contexts.forEach(BrowserContext::close);
    }
}
