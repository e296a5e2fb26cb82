package wendo.app.bench;

import java.util.Locale;

/** What all benches do: take the time, and say what was seen. */
public final class Bench {
    private Bench() {}

    public static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, "bench  " + format + "%n", values);
    }

    public static double seconds(Runnable work) {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e9;
    }
}
