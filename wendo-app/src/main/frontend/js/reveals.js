// Parts of a form that matter only while a box is ticked: each has that box's name as data-when. Without script all are there.
export function reveals() {
    return {
        init() {
            this.look();
        },
        look() {
            for (const part of this.$root.querySelectorAll("[data-when]")) {
                part.hidden = !this.$root.querySelector(`[name="${part.dataset.when}"]:checked`);
            }
        },
    };
}
