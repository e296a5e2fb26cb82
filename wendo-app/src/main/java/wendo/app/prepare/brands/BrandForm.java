package wendo.app.prepare.brands;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;

/** A brand as it is typed; its sites one a line, as addresses or as names. */
record BrandForm(
        @NotBlank(message = "prepare.brands.name-missing") @Size(max = Limits.SHORT_NAME)
        String name,

        @Size(max = Limits.ADDRESS) String sites,
        boolean asks) {
    static final int MOST_SITES = 20;

    private static final Pattern HOST = Pattern.compile("(?=.{1,253}$)[a-z0-9-]+(\\.[a-z0-9-]+)*");

    static BrandForm of(TypedFields typed) {
        return new BrandForm(typed.text("name"), typed.raw("sites").strip(), !typed.is("asks", "destination"));
    }

    /** The names of the sites, without what stands around them. */
    List<String> siteList() {
        return Arrays.stream(sites.split("[\\s,;]+", -1))
                .map(BrandForm::host)
                .filter(one -> !one.isEmpty())
                .distinct()
                .limit(MOST_SITES)
                .toList();
    }

    /** The first of the sites that is no name of one. */
    Optional<String> notASite() {
        return siteList().stream().filter(one -> !HOST.matcher(one).matches()).findFirst();
    }

    static String host(String typed) {
        return typed.strip()
                .toLowerCase(Locale.ROOT)
                .replaceFirst("^https?://", "")
                .replaceFirst("[/?#:].*$", "")
                .replaceFirst("^www\\.(?=.)", "");
    }
}
