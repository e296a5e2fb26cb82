package wendo.app.platform.site;

import java.util.function.LongSupplier;
import org.springframework.stereotype.Component;

/** How many answered visits are not in the figures yet; pages with figures say so. */
@Component("backlog")
public class Backlog {
    /** Fewer are on their way at any time and in the figures before anybody has read of them. Ours. */
    private static final long FEW = 500;

    private volatile LongSupplier told = () -> 0;

    public void tells(LongSupplier waiting) {
        this.told = waiting;
    }

    /** 0 for a few. */
    public long count() {
        long waiting = told.getAsLong();
        return waiting > FEW ? waiting : 0;
    }
}
