package wendo.app.platform.site;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A request whose body was read already, as a whole and within its limit. */
public final class HeldRequest extends HttpServletRequestWrapper {
    private final byte[] body;
    private final Map<String, String[]> parameters;

    public HeldRequest(HttpServletRequest request, byte[] body) {
        super(request);
        this.body = body;
        this.parameters = parameters(request, body);
    }

    /** Those of the address, and those of a form behind them. Throws {@link IllegalArgumentException} for broken escapes. */
    private static Map<String, String[]> parameters(HttpServletRequest request, byte[] body) {
        String type = request.getContentType() == null ? "" : request.getContentType();
        Map<String, List<String>> all = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> all.put(name, new ArrayList<>(List.of(values))));
        if (type.startsWith("application/x-www-form-urlencoded")) {
            for (String pair : new String(body, StandardCharsets.UTF_8).split("&")) {
                int equals = pair.indexOf('=');
                if (!pair.isEmpty()) {
                    all.computeIfAbsent(
                                    decode(equals < 0 ? pair : pair.substring(0, equals)), name -> new ArrayList<>())
                            .add(equals < 0 ? "" : decode(pair.substring(equals + 1)));
                }
            }
        }
        Map<String, String[]> read = new LinkedHashMap<>();
        all.forEach((name, values) -> read.put(name, values.toArray(String[]::new)));
        return read;
    }

    private static String decode(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }

    byte[] body() {
        return body.clone();
    }

    @Override
    public @Nullable String getParameter(String name) {
        String[] values = parameters.get(name);
        return values == null ? null : values[0];
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return Collections.unmodifiableMap(parameters);
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return Collections.enumeration(parameters.keySet());
    }

    @Override
    public String @Nullable [] getParameterValues(String name) {
        String[] values = parameters.get(name);
        return values == null ? null : values.clone();
    }

    @Override
    public BufferedReader getReader() {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }

    @Override
    public ServletInputStream getInputStream() {
        ByteArrayInputStream bytes = new ByteArrayInputStream(body);
        return new ServletInputStream() {
            @Override
            public int read() {
                return bytes.read();
            }

            @Override
            public int read(byte[] into, int from, int most) {
                return bytes.read(into, from, most);
            }

            @Override
            public boolean isFinished() {
                return bytes.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new IllegalStateException("The body is here already");
            }
        };
    }
}
