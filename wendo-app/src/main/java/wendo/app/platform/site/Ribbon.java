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

    public record Bar(double left, double width, double height, long outcomes, LocalDate first, boolean chosen) {}

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
