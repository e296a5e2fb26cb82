// A list that shows only what a word is part of; a group without any of it goes with its heading.
export function filter() {
    return {
        narrow(event) {
            const word = event.target.value.trim().toLowerCase();
            for (const entry of this.$root.querySelectorAll("[data-entry]")) {
                entry.hidden = !entry.textContent.toLowerCase().includes(word);
            }
            for (const group of this.$root.querySelectorAll("[data-group]")) {
                group.hidden = !group.querySelector("[data-entry]:not([hidden])");
            }
        },
    };
}
