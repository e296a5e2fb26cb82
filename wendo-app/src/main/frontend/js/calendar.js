// A day is typed as people write it; beside the field a calendar for those who would rather point at it.
// The grid follows the pattern of the ARIA Authoring Practices Guide for date pickers: one day of the grid has the focus,
// arrows move it, page keys turn months, Escape closes.
export function calendar() {
    return {
        isOpen: false,
        input: null,
        sheet: null,
        day: null,
        init() {
            this.input = this.$root.querySelector("input");
            this.sheet = this.$root.querySelector("[data-calendar]");
        },
        turn() {
            if (this.isOpen) return this.close();
            this.day = read(this.input) ?? noon(new Date());
            this.isOpen = true;
            this.draw();
            this.sheet.querySelector("[tabindex='0']").focus();
        },
        close() {
            if (!this.isOpen) return;
            this.hide();
            this.$root.querySelector("button[aria-expanded]").focus();
        },
        hide() {
            this.isOpen = false;
            this.sheet.hidden = true;
        },
        // A day that is drawn anew loses the focus to nothing; only a focus that goes elsewhere leaves.
        leave(event) {
            if (event.relatedTarget && !this.$root.contains(event.relatedTarget)) this.hide();
        },
        press(event) {
            const move = STEPS[event.key];
            if (event.key === "Escape") this.close();
            else if (move) {
                this.day = move(this.day);
                this.draw();
                this.sheet.querySelector("[tabindex='0']").focus();
            } else return;
            event.preventDefault();
            event.stopPropagation();
        },
        point(event) {
            const step = event.target.closest("[data-months]");
            const chosen = event.target.closest("[data-day]");
            if (step) {
                this.day = months(this.day, Number(step.dataset.months));
                this.draw();
            } else if (chosen) {
                this.input.value = written(new Date(`${chosen.dataset.day}T12:00:00`), this.input.dataset.pattern);
                this.close();
                this.input.dispatchEvent(new Event("input", { bubbles: true }));
                this.input.dispatchEvent(new Event("change", { bubbles: true }));
            }
        },
        draw() {
            const locale = document.documentElement.lang || "en";
            const data = this.$root.dataset;
            const first = new Date(this.day.getFullYear(), this.day.getMonth(), 1, 12);
            const weekStart = Number(data.weekStart);
            const start = plus(first, -((first.getDay() - weekStart + 7) % 7));
            const name = new Intl.DateTimeFormat(locale, { month: "long", year: "numeric" }).format(first);
            const weekday = new Intl.DateTimeFormat(locale, { weekday: "short" });
            const whole = new Intl.DateTimeFormat(locale, { dateStyle: "full" });
            const picked = read(this.input);
            const rows = [];
            for (let week = 0; week < 6; week++) {
                const row = element("tr", {});
                for (let i = 0; i < 7; i++) {
                    const day = plus(start, week * 7 + i);
                    const button = element(
                        "button",
                        {
                            type: "button",
                            "data-day": iso(day),
                            tabindex: iso(day) === iso(this.day) ? "0" : "-1",
                            "aria-label": whole.format(day),
                        },
                        String(day.getDate()),
                    );
                    if (day.getMonth() !== first.getMonth()) button.classList.add("other-month");
                    if (iso(day) === iso(new Date())) button.setAttribute("aria-current", "date");
                    if (picked && iso(day) === iso(picked)) button.setAttribute("aria-pressed", "true");
                    const cell = element("td", {});
                    cell.append(button);
                    row.append(cell);
                }
                rows.push(row);
            }
            const head = element("tr", {});
            for (let i = 0; i < 7; i++) head.append(element("th", { scope: "col" }, weekday.format(plus(start, i))));
            const bar = element("div", { class: "calendar-bar" });
            bar.append(
                element("button", { type: "button", "data-months": "-1", "aria-label": data.before }, "‹"),
                element("strong", { "aria-live": "polite" }, name),
                element("button", { type: "button", "data-months": "1", "aria-label": data.after }, "›"),
            );
            const table = element("table", { "aria-label": name });
            const thead = element("thead", {});
            const tbody = element("tbody", {});
            thead.append(head);
            tbody.append(...rows);
            table.append(thead, tbody);
            this.sheet.replaceChildren(bar, table);
            this.sheet.hidden = false;
        },
    };
}

const STEPS = {
    ArrowLeft: (day) => plus(day, -1),
    ArrowRight: (day) => plus(day, 1),
    ArrowUp: (day) => plus(day, -7),
    ArrowDown: (day) => plus(day, 7),
    PageUp: (day) => months(day, -1),
    PageDown: (day) => months(day, 1),
};

// In the middle of the day no change of the clock moves it to another.
const noon = (day) => new Date(day.getFullYear(), day.getMonth(), day.getDate(), 12);
const plus = (day, days) => new Date(day.getFullYear(), day.getMonth(), day.getDate() + days, 12);
const two = (number) => String(number).padStart(2, "0");
const iso = (day) => `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;

// The same day of another month, or its last.
function months(day, step) {
    const last = new Date(day.getFullYear(), day.getMonth() + step + 1, 0, 12);
    return new Date(last.getFullYear(), last.getMonth(), Math.min(day.getDate(), last.getDate()), 12);
}

function written(day, pattern) {
    return pattern
        .replace("yyyy", day.getFullYear())
        .replace(/M+/, (found) => (found.length > 1 ? two(day.getMonth() + 1) : day.getMonth() + 1))
        .replace(/d+/, (found) => (found.length > 1 ? two(day.getDate()) : day.getDate()));
}

// What the calendar itself wrote, or the server; what people type is read by the server.
function read(input) {
    const order = input.dataset.pattern.match(/[yMd]+/g).map((part) => part[0]);
    const numbers = input.value.match(/\d+/g);
    if (!numbers || numbers.length !== 3) return null;
    const of = (part) => Number(numbers[order.indexOf(part)]);
    const day = new Date(of("y"), of("M") - 1, of("d"), 12);
    return of("y") > 1900 && day.getMonth() === of("M") - 1 ? day : null;
}

function element(name, attributes, text) {
    const made = document.createElement(name);
    Object.entries(attributes).forEach(([key, value]) => made.setAttribute(key, value));
    if (text !== undefined) made.textContent = text;
    return made;
}
