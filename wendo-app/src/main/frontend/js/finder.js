// What the finder finds while one types: arrows go through it, Escape closes it.
const form = document.querySelector("[data-finder]");
if (form) {
    const input = form.querySelector("input");
    const found = form.querySelector("#finder-found");
    const close = () => found.replaceChildren();

    form.addEventListener("keydown", (event) => {
        if (event.key === "Escape") {
            close();
            input.focus();
            return;
        }
        const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (!step) return;
        const ways = [input, ...found.querySelectorAll("a")];
        const now = ways.findIndex((way) => way === document.activeElement || way.parentElement.contains(document.activeElement) && way !== input);
        ways[Math.max(0, Math.min(ways.length - 1, now + step))].focus();
        event.preventDefault();
    });
    input.addEventListener("input", () => {
        if (!input.value.trim()) close();
    });
    document.addEventListener("click", (event) => {
        if (!form.contains(event.target)) close();
    });
}
