package wendo.app.platform.site;

import java.math.BigDecimal;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import wendo.core.measure.UnitPrice;
import wendo.core.outcomes.CurrencyMark;

/** An amount as people type it, with or without the currency's sign and the thousands' separator. */
public record Amount(long minor) {
    private static final Pattern MARKED = Pattern.compile("([\\p{Sc}\\p{L}]*)(.*?)([\\p{Sc}\\p{L}]*)");

    private static final long MAX_MINOR = 100_000_000_000L;

    /** Throws {@link IllegalArgumentException} with a message for the person who typed it. */
    public static Amount of(String typed, CurrencyUnit currency, Locale locale) {
        BigDecimal minor = minor(typed, currency, locale, Math.max(1, currency.getDecimalPlaces()));
        return new Amount(minor.longValueExact());
    }

    /** The price of one of many, which may have thousandths of the minor unit: they are what is counted. */
    public static UnitPrice unitPrice(String typed, CurrencyUnit currency, Locale locale) {
        return new UnitPrice(minor(typed, currency, locale, currency.getDecimalPlaces() + 3)
                .movePointRight(3)
                .longValueExact());
    }

    private static BigDecimal minor(String typed, CurrencyUnit currency, Locale locale, int decimals) {
        DecimalFormatSymbols symbols = DecimalFormatSymbols.getInstance(locale);
        String number = withoutMark(typed, currency, locale);
        String group = Pattern.quote(String.valueOf(symbols.getGroupingSeparator()));
        String point = Pattern.quote(String.valueOf(symbols.getDecimalSeparator()));
        String example = "like 1%s250%s00".formatted(symbols.getGroupingSeparator(), symbols.getDecimalSeparator());
        if (!number.matches("(\\d{1,3}(%s\\d{3})+|\\d{1,12})(%s\\d{1,%d})?".formatted(group, point, decimals))) {
            throw new IllegalArgumentException(
                    Texts.of("platform.site.enter-an-amount-in", currency.getCode(), example));
        }
        BigDecimal amount = new BigDecimal(number.replaceAll(group, "").replaceAll(point, "."));
        BigDecimal minor = amount.movePointRight(currency.getDecimalPlaces());
        if (minor.signum() == 0 || minor.compareTo(BigDecimal.valueOf(MAX_MINOR)) > 0) {
            throw new IllegalArgumentException(Texts.of("platform.site.enter-an-amount-above-0", example));
        }
        return minor;
    }

    /** Without white space and a mark of this currency; another currency's mark stays, and makes it no amount. */
    private static String withoutMark(String typed, CurrencyUnit currency, Locale locale) {
        String text = typed.replaceAll("[\\s\\p{Z}]", "");
        Matcher marked = MARKED.matcher(text);
        return marked.matches()
                        && CurrencyMark.isOf(currency, locale, marked.group(1))
                        && CurrencyMark.isOf(currency, locale, marked.group(3))
                ? marked.group(2)
                : text;
    }

    /** A number as it is typed here, as programs write it: without signs and groups, with a point. It is not checked. */
    public static String plain(String typed, CurrencyUnit currency, Locale locale) {
        DecimalFormatSymbols symbols = DecimalFormatSymbols.getInstance(locale);
        return withoutMark(typed, currency, locale)
                .replace(String.valueOf(symbols.getGroupingSeparator()), "")
                .replace(symbols.getDecimalSeparator(), '.');
    }

    /** An amount as {@link #of} would read it again. */
    public static String typed(long minor, CurrencyUnit currency, Locale locale) {
        return BigDecimal.valueOf(minor, currency.getDecimalPlaces())
                .toPlainString()
                .replace('.', DecimalFormatSymbols.getInstance(locale).getDecimalSeparator());
    }

    /** A price of one of many as {@link #unitPrice} would read it again. */
    public static String typed(UnitPrice price, CurrencyUnit currency, Locale locale) {
        BigDecimal amount = BigDecimal.valueOf(price.millis(), currency.getDecimalPlaces() + 3)
                .stripTrailingZeros();
        return amount.setScale(Math.max(amount.scale(), currency.getDecimalPlaces()))
                .toPlainString()
                .replace('.', DecimalFormatSymbols.getInstance(locale).getDecimalSeparator());
    }
}
