// Wendo's site tag. Keeps the click identifier of the visit and a visitor's own first-party, reports outcomes, and tells
// of arrivals without a link and of links that lead away.
//   <script src="https://go.example.org/t/wendo.js" data-site="KEY" async></script>
//   wendo("booking", { reference: "B-1042", value: "95.00", currency: "GBP" })
// A report may also tell name, email, phone, code, answer, items and note.
//   <data data-wendo="booking" data-reference="B-1042" data-value="95.00" data-currency="GBP"></data>
// With data-disclosure, links that earn are marked as set under Setup, Disclosure.
// wendo("consent", { advertising: true, measurement: false, words: "…" }) also tells which visitor tags of the link may be used.
// With data-consent="ask", and where the browser asks for privacy, nothing is kept before wendo("consent", true).
const script = document.currentScript;
const site = script.dataset.site;
const ninetyDays = 90 * 24 * 60 * 60;
let mayKeep = script.dataset.consent !== "ask" && !navigator.globalPrivacyControl;
const most = (text, length) => text.slice(0, length);

// Plain text needs no permission from this host first; keepalive lets what is told outlive the page.
const tell = (what, body) =>
    fetch(new URL(`/t/${what}`, script.src).href, { method: "POST", body: JSON.stringify(body), keepalive: true, credentials: "omit", headers: { "Content-Type": "text/plain" } });

const keep = (name, value, seconds = ninetyDays) => {
    const secure = location.protocol === "https:" ? ";secure" : "";
    document.cookie = `wendo_${name}=${value};path=/;max-age=${seconds};samesite=lax${secure}`;
};
const kept = (name) => (document.cookie.match(new RegExp(`(?:^|; )wendo_${name}=([0-9a-z]{26,32})(?:;|$)`)) || [])[1] || "";

const parameter = new URLSearchParams(location.search).get("wcl");
const arrived = parameter && /^[0-9a-z]{26}$/i.test(parameter) ? parameter.toLowerCase() : "";
let visitor = kept("visitor") || [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, "0")).join("");
const keepBoth = () => {
    keep("visitor", visitor);
    if (arrived) keep("click", arrived);
};
if (mayKeep) keepBoth();

const address = most(location.href, 1500);
if (arrived) {
    tell("landings", { site, clickId: arrived, address, visitor }).catch(() => {});
} else {
    const [opened] = performance.getEntriesByType("navigation");
    const { referrer } = document;
    if (opened && opened.type === "navigate" && !(referrer && new URL(referrer).host === location.host))
        tell("arrivals", { site, address, referrer: most(referrer, 1500), visitor }).catch(() => {});
}

const leaves = ({ target }) => {
    const link = target.closest && target.closest("a[href]");
    if (link && /^http/.test(link.protocol) && link.host !== location.host && link.host !== new URL(script.src).host)
        tell("outgoing", { site, page: address, address: most(link.href, 1500), visitor }).catch(() => {});
};
for (const pressed of ["click", "auxclick"]) document.addEventListener(pressed, leaves, true);

// On the page that a visit ends on, its identifier is known without anything being kept.
const click = () => arrived || kept("click");

// Visitor tags that the link left to this page's banner, once for each visit. A script runs in a frame, shut up.
const tagged = (given) => {
    const purposes = ["advertising", "measurement"].filter((one) => given === true || (given && given[one] === true));
    return tell("tag-consents", { site, clickId: click(), agreed: purposes.join(" "), words: most((given && given.words) || "", 1000), address })
        .then((answer) => (answer.ok ? answer.json() : []))
        .then((uses) =>
            uses.forEach(({ src, frame }) => {
                const element = document.createElement(frame ? "iframe" : "img");
                if (frame) element.sandbox = "allow-scripts";
                element.hidden = true;
                element.src = new URL(src, script.src).href;
                document.body.append(element);
            }),
        )
        .catch(() => {});
};

const consent = (isGiven) => {
    if (click()) tagged(isGiven);
    mayKeep = isGiven === true || Boolean(isGiven && isGiven.measurement);
    if (mayKeep) keepBoth();
    else {
        visitor = "";
        for (const name of ["click", "visitor"]) keep(name, "", 0);
    }
    return Promise.resolve(true);
};

const report = (kind, fields) => {
    if (kind === "consent") return consent(fields);
    const { wendo, ...told } = fields || {};
    return tell("outcomes", { ...told, site, kind, visitor, clickId: click() })
        .then((answer) => {
            if (!answer.ok) answer.text().then((text) => console.warn(`Wendo did not take the ${kind}: ${text}`));
            return answer.ok;
        })
        .catch(() => false);
};

// Where links that earn have to say so, a script of its own says it.
if ("disclosure" in script.dataset) {
    const more = document.createElement("script");
    more.src = new URL("/t/disclosure.js", script.src).href;
    more.dataset.site = site;
    document.head.append(more);
}

const waiting = (window.wendo && window.wendo.q) || [];
window.wendo = report;
for (const call of waiting) report(call[0], call[1]);

const readPage = () => document.querySelectorAll("[data-wendo]").forEach((element) => report(element.dataset.wendo, element.dataset));
if (document.readyState === "loading") document.addEventListener("DOMContentLoaded", readPage);
else readPage();
