package wendo.app.platform.site;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.web.util.HtmlUtils;

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
        private String drawn(Figures figures) {
            String title = figures.shortDay(first) + ": " + figures.counted(outcomes, "count.outcomes");
            return "<rect class=\"day%s\" x=\"%s\" width=\"%s\" y=\"%s\" height=\"%s\"><title>%s</title></rect>"
                    .formatted(
                            chosen ? " chosen" : "",
                            percent(left),
                            percent(width),
                            percent(100 - height),
                            percent(height),
                            HtmlUtils.htmlEscape(title));
        }

        private static String percent(double share) {
            return Math.round(share * 100) / 100.0 + "%";
        }
    }

    /** The bars as SVG: on every page with figures there are 182 of them, too many to be put together by a template. */
    public String drawn(Figures figures) {
        return bars.stream().map(bar -> bar.drawn(figures)).collect(Collectors.joining("\n"));
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
