package wendo.core.outcomes;

import com.ibm.icu.util.Currency;
import com.ibm.icu.util.ULocale;
import java.util.Locale;
import org.joda.money.CurrencyUnit;

/**
 * What may stand beside an amount of a currency: its code (ISO 4217) or a sign that Unicode's CLDR lists for it, in
 * English or in the business's own language.
 */
public final class CurrencyMark {
    private CurrencyMark() {}

    public static boolean isOf(CurrencyUnit unit, Locale locale, String mark) {
        Currency currency = Currency.getInstance(unit.getCode());
        return mark.isEmpty()
                || mark.equalsIgnoreCase(unit.getCode())
                || isSign(currency, ULocale.ENGLISH, mark)
                || isSign(currency, ULocale.forLocale(locale), mark);
    }

    private static boolean isSign(Currency currency, ULocale locale, String mark) {
        return mark.equalsIgnoreCase(currency.getName(locale, Currency.SYMBOL_NAME, null))
                || mark.equalsIgnoreCase(currency.getName(locale, Currency.NARROW_SYMBOL_NAME, null));
    }
}
