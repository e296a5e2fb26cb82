// Wendo's site tag. Keeps the click identifier of the visit first-party, and reports outcomes.
//   <script src="https://go.example.org/t/wendo.js" data-site="KEY" async></script>
//   wendo("booking", { reference: "B-1042", value: "95.00", currency: "GBP" })
//   <data data-wendo="booking" data-reference="B-1042" data-value="95.00" data-currency="GBP"></data>
const script = document.currentScript;
const site = script.dataset.site;
const name = "wendo_click";
const ninetyDays = 90 * 24 * 60 * 60;

// Plain text needs no permission from this host first; keepalive lets what is told outlive the page.
const tell = (what, body) =>
    fetch(new URL(`/t/${what}`, script.src).href, { method: "POST", body: JSON.stringify(body), keepalive: true, credentials: "omit", headers: { "Content-Type": "text/plain" } });

const arrived = new URLSearchParams(location.search).get("wcl");
if (arrived && /^[0-9a-z]{26}$/i.test(arrived)) {
    const secure = location.protocol === "https:" ? ";secure" : "";
    document.cookie = `${name}=${arrived.toLowerCase()};path=/;max-age=${ninetyDays};samesite=lax${secure}`;
    tell("landings", { site, clickId: arrived.toLowerCase(), address: location.href.slice(0, 2600) }).catch(() => {});
}

const click = () => (document.cookie.match(new RegExp(`(?:^|; )${name}=([0-9a-z]{26})`)) || [])[1] || "";

const report = (kind, fields) => {
    const { reference, value, currency } = fields || {};
    return tell("outcomes", { site, kind, reference, value, currency, clickId: click() })
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
