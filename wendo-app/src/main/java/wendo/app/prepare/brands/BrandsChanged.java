package wendo.app.prepare.brands;

/** A brand of the current business was added, changed or removed; told in the transaction that did so. */
public record BrandsChanged() {}
