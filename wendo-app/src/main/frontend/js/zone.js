// The time zone and the currency of whoever sets up a business, where nothing was chosen yet.
export function zone() {
    return {
        init() {
            const field = this.$root.querySelector("[name=zone]");
            const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
            if (field.value === "" && [...field.options].some((one) => one.value === here)) field.value = here;
        },
    };
}
