// A form that is on its way is not sent again by a second press.
document.addEventListener("submit", (event) => {
    const form = event.target;
    if (form.dataset.sent) {
        event.preventDefault();
        return;
    }
    if (form.method === "post") {
        form.dataset.sent = "true";
        setTimeout(() => delete form.dataset.sent, 5000);
    }
});
// A page that comes back from the history can be sent again.
window.addEventListener("pageshow", () => document.querySelectorAll("form[data-sent]").forEach((form) => delete form.dataset.sent));
