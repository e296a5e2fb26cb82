package wendo.app.place.codes;

import java.util.ArrayList;
import java.util.List;
import wendo.app.issue.links.LinkListed;
import wendo.core.media.PrintedSize;
import wendo.core.media.QrCode;

/** The code of one link at its size, with what stands below it. */
record DrawnCode(LinkListed link, PrintedSize size, List<String> captions) {

    DrawnCode {
        captions = List.copyOf(captions);
    }

    static DrawnCode of(LinkListed link, CodeOrder order) {
        String content = order.isCapital() ? QrCode.smallest(link.url(), order.correction()) : link.url();
        List<String> captions = new ArrayList<>();
        if (order.under() == CodeOrder.Under.NAME || order.under() == CodeOrder.Under.BOTH) {
            captions.add(link.name());
        }
        if (order.under() == CodeOrder.Under.ADDRESS || order.under() == CodeOrder.Under.BOTH) {
            captions.add(typed(link.url()));
        }
        return new DrawnCode(link, new PrintedSize(QrCode.of(content, order.correction()), order.side()), captions);
    }

    /** An address as people type it: nobody has to remember {@code https://}. */
    private static String typed(String url) {
        return url.replaceFirst("^https?://", "");
    }

    public QrCode code() {
        return size.code();
    }
}
