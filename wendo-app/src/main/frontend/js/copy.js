// A button that puts a text on the clipboard: its data-copy, or the text of the element that data-copy-from names. What
// it says then stands on the page's body, in its language.
const SHOWN_FOR = 1600;

async function write(button) {
    const from = button.dataset.copyFrom && document.getElementById(button.dataset.copyFrom);
    const text = from ? from.value || from.textContent.trim() : button.dataset.copy;
    try {
        await navigator.clipboard.writeText(text);
        return document.body.dataset.copied;
    } catch {
        return document.body.dataset.notAllowed;
    }
}

export function copier() {
    return {
        async copy() {
            const label = this.$root.querySelector("[data-label]") || this.$root;
            label.dataset.before ??= label.textContent;
            label.textContent = await write(this.$root);
            this.$root.classList.add("is-done");
            setTimeout(() => {
                label.textContent = label.dataset.before;
                this.$root.classList.remove("is-done");
            }, SHOWN_FOR);
        },
    };
}
