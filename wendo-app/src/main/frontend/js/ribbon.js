// Dragging on the season ribbon chooses the period. The days stand in the address, with all else that stood there.
const strip = document.querySelector("[data-ribbon]");
if (strip) {
    const first = Date.parse(`${strip.dataset.first}T00:00:00Z`);
    const days = Number(strip.dataset.days);
    const drawn = strip.querySelector("[data-drawn]");
    const dayMillis = 24 * 60 * 60 * 1000;
    let start = -1;

    const dayAt = (event) => {
        const box = strip.getBoundingClientRect();
        return Math.max(0, Math.min(days - 1, Math.floor(((event.clientX - box.left) / box.width) * days)));
    };
    const iso = (day) => new Date(first + day * dayMillis).toISOString().slice(0, 10);
    const draw = (from, to) => {
        drawn.setAttribute("x", `${(100 * from) / days}%`);
        drawn.setAttribute("width", `${(100 * (to - from + 1)) / days}%`);
        drawn.removeAttribute("hidden");
    };

    strip.addEventListener("pointerdown", (event) => {
        if (event.button !== 0) return;
        start = dayAt(event);
        strip.setPointerCapture(event.pointerId);
        draw(start, start);
        event.preventDefault();
    });
    strip.addEventListener("pointermove", (event) => {
        if (start < 0) return;
        const now = dayAt(event);
        draw(Math.min(start, now), Math.max(start, now));
    });
    strip.addEventListener("pointercancel", () => {
        start = -1;
        drawn.setAttribute("hidden", "");
    });
    strip.addEventListener("pointerup", (event) => {
        if (start < 0) return;
        const end = dayAt(event);
        const address = new URL(location.href);
        ["period", "page"].forEach((name) => address.searchParams.delete(name));
        address.searchParams.set("from", iso(Math.min(start, end)));
        address.searchParams.set("to", iso(Math.max(start, end)));
        start = -1;
        location.assign(address);
    });
}
