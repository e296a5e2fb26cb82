// Wendo's site tag. Keeps the click identifier of the visit first-party, and reports outcomes.
//   <script src="https://go.example.org/t/wendo.js" data-site="KEY" async></script>
//   wendo("booking", { reference: "B-1042", value: "95.00", currency: "GBP" })
// A report may also tell name, email, phone, code, answer, items and note.
//   <data data-wendo="booking" data-reference="B-1042" data-value="95.00" data-currency="GBP"></data>
// With data-consent="ask", and where the browser asks for privacy, nothing is kept before wendo("consent", true).
const script = document.currentScript;
const site = script.dataset.site;
const name = "wendo_click";
const ninetyDays = 90 * 24 * 60 * 60;
let mayKeep = script.dataset.consent !== "ask" && !navigator.globalPrivacyControl;

// Plain text needs no permission from this host first; keepalive lets what is told outlive the page.
const tell = (what, body) =>
    fetch(new URL(`/t/${what}`, script.src).href, { method: "POST", body: JSON.stringify(body), keepalive: true, credentials: "omit", headers: { "Content-Type": "text/plain" } });

const keep = (click, seconds) => {
    const secure = location.protocol === "https:" ? ";secure" : "";
    document.cookie = `${name}=${click};path=/;max-age=${seconds};samesite=lax${secure}`;
};

const parameter = new URLSearchParams(location.search).get("wcl");
const arrived = parameter && /^[0-9a-z]{26}$/i.test(parameter) ? parameter.toLowerCase() : "";
if (arrived) {
    if (mayKeep) keep(arrived, ninetyDays);
    tell("landings", { site, clickId: arrived, address: location.href.slice(0, 2600) }).catch(() => {});
}

// On the page that a visit ends on, its identifier is known without anything being kept.
const click = () => arrived || (document.cookie.match(new RegExp(`(?:^|; )${name}=([0-9a-z]{26})`)) || [])[1] || "";

const consent = (isGiven) => {
    mayKeep = isGiven === true;
    if (!mayKeep) keep("", 0);
    else if (arrived) keep(arrived, ninetyDays);
    return Promise.resolve(true);
};

const report = (kind, fields) => {
    if (kind === "consent") return consent(fields);
    const { reference, value, currency, name, email, phone, code, answer, items, note } = fields || {};
    return tell("outcomes", { site, kind, reference, value, currency, name, email, phone, code, answer, items, note, clickId: click() })
        .then((answer) => {
            if (!answer.ok) answer.text().then((text) => console.warn(`Wendo did not take the ${kind}: ${text}`));
            return answer.ok;
        })
        .catch(() => false);
};

const waiting = (window.wendo && window.wendo.q) || [];
window.wendo = report;
for (const call of waiting) report(call[0], call[1]);

const readPage = () => document.querySelectorAll("[data-wendo]").forEach((element) => report(element.dataset.wendo, element.dataset));
if (document.readyState === "loading") document.addEventListener("DOMContentLoaded", readPage);
else readPage();
