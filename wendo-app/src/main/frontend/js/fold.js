// Something that is folded away on a phone until its button is pressed.
export function fold() {
    return {
        isOpen: false,
        init() {
            this.$root.classList.add("is-folding");
        },
        turn() {
            this.isOpen = !this.isOpen;
            this.$root.classList.toggle("is-open", this.isOpen);
        },
        close() {
            if (this.isOpen) this.turn();
        },
    };
}
