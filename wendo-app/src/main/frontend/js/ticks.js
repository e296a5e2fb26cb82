// A list whose rows can be ticked: one press for all of them, and how many are.
export function ticks() {
    return {
        ticked: 0,
        init() {
            this.count();
            this.again = () => {
                this.ticked = 0;
                this.$nextTick(() => this.count());
            };
            document.addEventListener("htmx:after:swap", this.again);
        },
        destroy() {
            document.removeEventListener("htmx:after:swap", this.again);
        },
        boxes() {
            return [...document.querySelectorAll(`input[type=checkbox][name="${this.$root.dataset.ticks}"]`)];
        },
        count() {
            this.ticked = this.boxes().filter((box) => box.checked).length;
        },
        turnAll() {
            const wanted = this.boxes().some((box) => !box.checked);
            this.boxes().forEach((box) => (box.checked = wanted));
            this.count();
        },
    };
}
