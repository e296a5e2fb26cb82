package wendo.app.platform.site;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The season ribbon as it is drawn: positions and heights are in hundredths of its width and height. */
public record Ribbon(
        LocalDate firstDay,
        LocalDate lastDay,
        List<Bar> bars,
        List<CampaignSpan> campaigns,
        List<Month> months,
        double chosenLeft,
        double chosenWidth,
        Optional<Ghost> compared) {

    /** The outcomes of a day or week that had any; the others draw nothing. */
    public record Bar(double left, double width, double height, long outcomes, LocalDate first, boolean chosen) {
        public String x() {
            return percent(left);
        }

        public String breadth() {
            return percent(width);
        }

        public String y() {
            return percent(100 - height);
        }

        public String tall() {
            return percent(height);
        }

        private static String percent(double share) {
            return Math.round(share * 100) / 100.0 + "%";
        }
    }

    /** The period that the chosen one is compared with. */
    public record Ghost(double left, double width) {}

    public record CampaignSpan(String name, double left, double width) {}

    public record Month(LocalDate first, double left) {
        public String name(Locale locale) {
            return first.getMonth().getDisplayName(TextStyle.SHORT, locale);
        }
    }

    public long days() {
        return ChronoUnit.DAYS.between(firstDay, lastDay) + 1;
    }
}
