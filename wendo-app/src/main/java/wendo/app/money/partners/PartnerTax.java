package wendo.app.money.partners;

import java.math.BigDecimal;

/**
 * What a partner's invoices need.
 *
 * @param isSelfBilling whether the business writes them
 * @param percent of tax that is added to a commission
 */
public record PartnerTax(String number, String note, boolean isSelfBilling, BigDecimal percent) {}
