package wendo.app.platform.site;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.NumberFormat;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.time.temporal.WeekFields;
import java.util.Currency;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import wendo.core.days.TypedDay;
import wendo.core.measure.UnitPrice;

/** Writes numbers, money and times as a business reads them. Templates know it as {@code figures}. */
public record Figures(CurrencyUnit currency, ZoneId zone, Locale locale) {

    public String count(long number) {
        return NumberFormat.getIntegerInstance(locale).format(number);
    }

    /** A number with its noun, by a text that has a form for each plural: {@code count.people} says 1 person, 1,128 people. */
    public String counted(long number, String text) {
        return Texts.of(text, number, count(number));
    }

    /** An exact amount as programs write it. */
    public String plain(long minor) {
        return BigDecimal.valueOf(minor, currency.getDecimalPlaces()).toPlainString();
    }

    /** An exact amount, with its pennies. */
    public String money(long minor) {
        return format(BigDecimal.valueOf(minor, currency.getDecimalPlaces()), currency.getDecimalPlaces());
    }

    /** A computed amount in minor units, rounded to whole pennies. */
    public String money(double minor) {
        BigDecimal amount = BigDecimal.valueOf(minor).movePointLeft(currency.getDecimalPlaces());
        return format(amount.setScale(currency.getDecimalPlaces(), RoundingMode.HALF_UP), currency.getDecimalPlaces());
    }

    /** The price of one of many, with as many decimals as it has. */
    public String money(UnitPrice price) {
        BigDecimal amount = BigDecimal.valueOf(price.millis(), currency.getDecimalPlaces() + 3)
                .stripTrailingZeros();
        return format(amount, Math.max(amount.scale(), currency.getDecimalPlaces()));
    }

    /** What one of very many is worth: as exact as two digits that count make it, and pennies at least. */
    public String moneyEach(double minor) {
        BigDecimal amount = BigDecimal.valueOf(minor).movePointLeft(currency.getDecimalPlaces());
        int digits = amount.signum() == 0 ? 0 : 2 - (amount.precision() - amount.scale());
        int decimals = Math.max(currency.getDecimalPlaces(), Math.min(digits, currency.getDecimalPlaces() + 4));
        return format(amount.setScale(decimals, RoundingMode.HALF_UP), decimals);
    }

    /** An amount for a table of many: pennies only below 100. */
    public String moneyShort(double minor) {
        BigDecimal amount = BigDecimal.valueOf(minor).movePointLeft(currency.getDecimalPlaces());
        int decimals = amount.abs().compareTo(BigDecimal.valueOf(100)) < 0 ? currency.getDecimalPlaces() : 0;
        return format(amount.setScale(decimals, RoundingMode.HALF_UP), decimals);
    }

    /** A round amount on a line: pennies only where there are any. */
    public String moneyRound(double minor) {
        BigDecimal amount = BigDecimal.valueOf(minor)
                .movePointLeft(currency.getDecimalPlaces())
                .stripTrailingZeros();
        return format(amount, amount.scale() <= 0 ? 0 : currency.getDecimalPlaces());
    }

    private String format(BigDecimal amount, int decimals) {
        NumberFormat format = NumberFormat.getCurrencyInstance(locale);
        format.setCurrency(Currency.getInstance(currency.getCode()));
        format.setMinimumFractionDigits(decimals);
        format.setMaximumFractionDigits(decimals);
        return format.format(amount);
    }

    /** A measure, with up to two decimals. */
    public String decimal(double number) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setMaximumFractionDigits(2);
        return format.format(number);
    }

    /** A chance, with three decimals. */
    public String decimal3(double number) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setMaximumFractionDigits(3);
        return format.format(number);
    }

    /** Credited outcomes: a whole number, or shares with two decimals. */
    public String credit(BigDecimal number) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setMaximumFractionDigits(2);
        format.setMinimumFractionDigits(number.stripTrailingZeros().scale() > 0 ? 2 : 0);
        return format.format(number);
    }

    public String percent(double share) {
        NumberFormat format = NumberFormat.getPercentInstance(locale);
        format.setMaximumFractionDigits(1);
        format.setMinimumFractionDigits(1);
        return format.format(share);
    }

    /** A difference of two rates, in hundredths, with its sign. */
    public String points(double share) {
        return (share > 0 ? "+" : "") + decimal(100 * share);
    }

    /** A change, without decimals. */
    public String wholePercent(double share) {
        return NumberFormat.getPercentInstance(locale).format(share);
    }

    /** The name of a country of ISO 3166-1. */
    public String country(String code) {
        return new Locale("", code).getDisplayCountry(locale);
    }

    /** The name of a language of ISO 639. */
    public String language(String code) {
        return Locale.forLanguageTag(code).getDisplayLanguage(locale);
    }

    public String day(LocalDate day) {
        return DateTimeFormatter.ofPattern("d MMM yyyy", locale).format(day);
    }

    public String shortDay(LocalDate day) {
        return DateTimeFormatter.ofPattern("d MMM", locale).format(day);
    }

    /** A month by its first day. */
    public String month(LocalDate first) {
        return DateTimeFormatter.ofPattern("LLLL yyyy", Texts.language()).format(first);
    }

    public String dayOf(Instant at) {
        return day(at.atZone(zone).toLocalDate());
    }

    /** A time with its year. */
    public String moment(Instant at) {
        return DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", locale).format(at.atZone(zone));
    }

    public String time(Instant at) {
        return DateTimeFormatter.ofPattern("d MMM HH:mm", locale).format(at.atZone(zone));
    }

    /** A day as the business writes it in a field; what is none stays as it was typed. */
    public String typedDay(@Nullable Object day) {
        String text = day == null ? "" : day.toString();
        try {
            return DateTimeFormatter.ofPattern(dayPattern(), locale).format(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return text;
        }
    }

    /** How the business writes days in fields, such as dd/MM/yyyy. */
    public String dayPattern() {
        return TypedDay.pattern(locale);
    }

    /** The day that weeks begin with, 0 for Sunday to 6 for Saturday. */
    public int firstWeekday() {
        return WeekFields.of(locale).getFirstDayOfWeek().getValue() % 7;
    }

    /** A day of the week in short, in the reader's language. */
    public String weekday(DayOfWeek day) {
        return day.getDisplayName(TextStyle.SHORT, Texts.language());
    }
}
