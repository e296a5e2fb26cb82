// Puts an entry form, a sign-up form or a signpost into the page, where its script stands: as tall as it is, or behind a button.
//   <script src="https://go.example.org/t/embed.js" data-form="ID" async></script>
//   <script src="https://go.example.org/t/embed.js" data-form="ID" data-button="Book a course" async></script>
//   <script src="https://go.example.org/t/embed.js" data-list="ID" async></script>
//   <script src="https://go.example.org/t/embed.js" data-signpost="ID" async></script>
// What is sent belongs to the visit that brought the visitor: the address of the page, or the site tag, tells it.
const script = document.currentScript;
const { form, list, signpost, button, close } = script.dataset;
const parameter = new URLSearchParams(location.search).get("wcl") || "";
const kept = (document.cookie.match(/(?:^|; )wendo_click=([0-9a-z]{26})(?:;|$)/) || [])[1] || "";
const click = /^[0-9a-z]{26}$/i.test(parameter) ? parameter.toLowerCase() : kept;

const path = form ? `forms/${form}` : list ? `lists/${list}` : `signposts/${signpost}`;
const address = new URL(`/t/${path}`, script.src);
address.searchParams.set("in", "page");
address.searchParams.set("page", (location.origin + location.pathname).slice(0, 300));
if (click) address.searchParams.set("wcl", click);

const frame = document.createElement("iframe");
frame.title = button || "";
Object.assign(frame.style, { width: "100%", height: "420px", border: "0", display: "block" });
const begin = () => {
    if (!frame.src) frame.src = address.href;
};
addEventListener("message", ({ source, origin, data }) => {
    if (source !== frame.contentWindow || origin !== address.origin || !data || data.wendo !== "size") return;
    frame.style.height = `${Number(data.height) || 0}px`;
    if (!button) frame.title = String(data.title);
});

if (button) {
    const opener = document.createElement("button");
    opener.type = "button";
    opener.textContent = button;
    opener.className = "wendo-button";
    const dialog = document.createElement("dialog");
    dialog.className = "wendo-dialog";
    dialog.setAttribute("aria-label", button);
    Object.assign(dialog.style, { width: "min(36rem, 94vw)", maxHeight: "94vh", padding: "0", border: "0", borderRadius: "6px" });
    const closer = document.createElement("button");
    closer.type = "button";
    closer.textContent = "×";
    closer.setAttribute("aria-label", close || "Close");
    Object.assign(closer.style, { float: "right", minWidth: "44px", minHeight: "44px", font: "inherit", fontSize: "1.5rem", border: "0", color: "#222", background: "none" });
    closer.addEventListener("click", () => dialog.close());
    dialog.append(closer, frame);
    opener.addEventListener("click", () => {
        begin();
        dialog.showModal();
    });
    script.after(opener, dialog);
} else {
    begin();
    script.after(frame);
}
