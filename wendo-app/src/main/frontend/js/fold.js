// Something that is folded away on a phone until its button is pressed. What is open is read off the page, for a page that
// is brought up to date comes back folded.
export function fold() {
    return {
        isOpen: false,
        turn() {
            this.isOpen = this.$root.classList.toggle("is-open");
        },
        close() {
            if (this.$root.classList.contains("is-open")) this.turn();
        },
    };
}
