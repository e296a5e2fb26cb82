package wendo.app.platform.appearance;

import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/**
 * How a business appears, as typed.
 *
 * @param signed {@code yes} if pages say by what they are made
 */
record AppearanceForm(
        String colour,
        @Size(max = MAX_ADDRESS) String address,
        @Size(max = Limits.ADDRESS) String imprint,
        @Size(max = Limits.ADDRESS) String privacy,
        String signed) {
    static final int MAX_ADDRESS = 500;

    static AppearanceForm of(TypedFields typed) {
        return new AppearanceForm(
                typed.text("colour"),
                typed.raw("address").strip(),
                typed.text("imprint"),
                typed.text("privacy"),
                typed.is("signed", "yes") ? "yes" : "");
    }

    static AppearanceForm of(Appearance stored) {
        return new AppearanceForm(
                stored.colour().map(Colour::written).orElse(""),
                stored.address(),
                stored.imprint(),
                stored.privacy(),
                stored.isSigned() ? "yes" : "");
    }

    public boolean isSigned() {
        return signed.equals("yes");
    }

    /** Call it when nothing is wrong. */
    Appearance appearance() {
        return new Appearance(Colour.find(colour), address, normal(imprint), normal(privacy), isSigned());
    }

    private static String normal(String typed) {
        return typed.isEmpty() ? "" : WebAddress.of(typed).toString();
    }

    Map<String, String> faults() {
        Map<String, String> faults = new HashMap<>(FormRules.faults(this));
        if (!colour.isEmpty() && Colour.find(colour).isEmpty()) {
            faults.put("colour", Texts.of("platform.appearance.no-colour", colour));
        }
        Map<String, Function<AppearanceForm, String>> addresses =
                Map.of("imprint", AppearanceForm::imprint, "privacy", AppearanceForm::privacy);
        addresses.forEach((field, read) -> {
            try {
                normal(read.apply(this));
            } catch (AddressRefused e) {
                faults.putIfAbsent(field, Texts.said(e));
            }
        });
        return faults;
    }
}
