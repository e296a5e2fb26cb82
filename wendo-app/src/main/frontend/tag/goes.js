// A form that may go by itself does so once its page is looked at; what only fetches pages runs no script.
const form = document.querySelector("form[data-goes-by-itself]");
const go = () => {
    if (document.visibilityState !== "visible") return;
    document.removeEventListener("visibilitychange", go);
    form.requestSubmit();
};
if (form) {
    document.addEventListener("visibilitychange", go);
    go();
}
