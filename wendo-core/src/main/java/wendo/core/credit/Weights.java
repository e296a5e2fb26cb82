package wendo.core.credit;

import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/** Weights of touches, as the models give them. */
final class Weights {
    private Weights() {}

    static List<Long> equal(int touches) {
        return Collections.nCopies(touches, 1L);
    }

    /** All to one touch. */
    static List<Long> only(int place, int touches) {
        return IntStream.range(0, touches).mapToObj(i -> i == place ? 1L : 0L).toList();
    }
}
