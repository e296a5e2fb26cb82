// Keys for those who like them; no key is needed for anything.
const sections = { t: "today", i: "issue", l: "links", e: "leads", o: "outcomes", c: "compare", s: "spend", p: "partners", a: "audiences", u: "setup" };
let goes = 0;

const isTyping = (element) => element.closest("input, textarea, select, [contenteditable]") !== null;

function open(section) {
    const link = document.querySelector(`[data-section="${section}"]`);
    if (link) location.assign(link.href);
}

document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || !document.querySelector("[data-section]")) return;
    const wasGoing = Date.now() - goes < 1200;
    goes = 0;
    if (wasGoing && sections[event.key]) open(sections[event.key]);
    else if (event.key === "g") goes = Date.now();
    else if (event.key === "/") document.getElementById("finder")?.focus();
    else if (event.key === "i") open("issue");
    else if (event.key === "?") document.getElementById("keys")?.showModal();
    else if (event.key === "c") {
        const stub = event.target.closest(".stub") || document.querySelector(".stub");
        const button = stub?.querySelector("[data-copy]");
        button?.click();
        return;
    } else return;
    event.preventDefault();
});

document.addEventListener("click", (event) => {
    if (event.target.closest("[data-open-keys]")) document.getElementById("keys")?.showModal();
});
