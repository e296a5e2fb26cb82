// What somebody opened stays open when the page around it is brought up to date.
let open = [];

document.addEventListener("htmx:before:swap", () => {
    open = [...document.querySelectorAll("details[data-stays][open]")].map((one) => one.id);
});
document.addEventListener("htmx:after:swap", () => {
    for (const id of open) document.getElementById(id)?.setAttribute("open", "");
});
