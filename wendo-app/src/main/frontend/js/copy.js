// Buttons with data-copy put that text, or the text of the element that data-copy-from names, on the clipboard.
export async function copy(button) {
    const from = button.dataset.copyFrom && document.getElementById(button.dataset.copyFrom);
    const text = from ? from.value || from.textContent.trim() : button.dataset.copy;
    const label = button.querySelector("[data-label]") || button;
    const before = button.dataset.before || label.textContent;
    button.dataset.before = before;
    try {
        await navigator.clipboard.writeText(text);
        label.textContent = "Copied";
    } catch {
        label.textContent = "Not allowed";
    }
    button.classList.add("is-done");
    setTimeout(() => {
        label.textContent = before;
        button.classList.remove("is-done");
    }, 1600);
}

document.addEventListener("click", (event) => {
    const button = event.target.closest("[data-copy], [data-copy-from]");
    if (button) copy(button);
});
