package wendo.app.place.codes;

import java.util.Map;
import wendo.app.platform.site.Texts;

/**
 * A field for a number with a point or a comma, from one value to another.
 *
 * @param usual what is meant where nothing is typed
 */
record NumberField(String name, double usual, double least, double most) {
    double read(String typed, Map<String, String> faults) {
        String text = typed.strip().replace(',', '.');
        if (text.isEmpty()) {
            return usual;
        }
        if (text.matches("\\d{1,6}(\\.\\d{1,4})?")) {
            double value = Double.parseDouble(text);
            if (value >= least && value <= most) {
                return value;
            }
        }
        faults.put(name, Texts.of("place.codes.enter-a-number-from-to", CodeOrder.plain(least), CodeOrder.plain(most)));
        return usual;
    }
}
