// A form that is sent as soon as something is chosen in it; without script it has a button.
export function applies() {
    return {
        apply() {
            this.$root.requestSubmit();
        },
    };
}
