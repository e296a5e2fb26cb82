package wendo.app.credit;

import wendo.core.credit.ModelName;

/** The columns of the view {@code credit} in which a model's shares and its money stand. */
public final class CreditColumns {
    private CreditColumns() {}

    /** Millionths of an outcome. */
    public static String share(ModelName model) {
        return name(model) + "_share";
    }

    /** Of its value, in minor units. */
    public static String minor(ModelName model) {
        return name(model) + "_minor";
    }

    private static String name(ModelName model) {
        return model.key().replace('-', '_');
    }
}
