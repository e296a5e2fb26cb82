// Parts of a form that matter only while a box is ticked: each has that box's name as data-when, and, where it is one of
// several, its value as data-is. Without script all are there.
export function reveals() {
    return {
        init() {
            this.look();
        },
        look() {
            for (const part of this.$root.querySelectorAll("[data-when]")) {
                const { when, is } = part.dataset;
                part.hidden = !this.$root.querySelector(`[name="${when}"]${is ? `[value="${is}"]` : ""}:checked`);
            }
        },
    };
}
