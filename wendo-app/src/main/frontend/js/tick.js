// A button with data-tick-all ticks every box of that name on the page, or none if all are ticked.
document.addEventListener("click", (event) => {
    const button = event.target.closest("[data-tick-all]");
    if (!button) return;
    const boxes = [...document.querySelectorAll(`input[type=checkbox][name="${button.dataset.tickAll}"]`)];
    const ticked = boxes.some((box) => !box.checked);
    boxes.forEach((box) => (box.checked = ticked));
});

document.addEventListener("click", (event) => {
    if (event.target.closest("[data-print]")) window.print();
});
