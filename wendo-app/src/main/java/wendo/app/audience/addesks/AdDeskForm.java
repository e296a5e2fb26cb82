package wendo.app.audience.addesks;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import wendo.app.platform.site.Limits;

/** An ad desk as it is typed. */
record AdDeskForm(
        @NotBlank(message = "audience.addesks.name-missing") @Size(max = Limits.SHORT_NAME)
        String name,

        @NotBlank(message = "audience.addesks.address-missing") @Size(max = Limits.ADDRESS)
        String address,

        @NotBlank(message = "audience.addesks.key-missing") @Size(max = Limits.ANSWER)
        String key) {}
