// Says beside links that earn what the business has set under Setup, Disclosure; the site tag loads it where its own
// element has data-disclosure. What it adds has the class wendo-disclosure, for the page's own styles.
const script = document.currentScript;
const ask = new URL("/t/disclosure", script.src);
ask.searchParams.set("site", script.dataset.site);
ask.searchParams.set("language", document.documentElement.lang || navigator.language || "");

// As the patterns are written: without scheme, "www.", fragment and a slash at the end, the host in lower case.
const normal = ({ host, pathname, search }) => `${host.toLowerCase().replace(/^www\.(?=.)/, "")}${pathname}${search}`.replace(/\/+$/, "");
const rule = (pattern) => {
    const parts = pattern.split("*").map((part) => part.replace(/[.+?^${}()|[\]\\]/g, "\\$&"));
    return new RegExp(`^${parts.join(".*")}(?:[/?].*)?$`, "s");
};

// Small print at the foot comes too late: it has to stand before the first such link, or around it.
const before = (link) => {
    const range = document.createRange();
    range.setStart(document.body, 0);
    range.setEndBefore(link);
    return range.toString();
};

const begin = ({ place, language, text, links }) => {
    const rules = links.map(rule);
    const plain = (words) => words.replace(/\s+/g, " ").toLowerCase();
    const says = (words) => plain(words).includes(plain(text));
    const note = (name) => Object.assign(document.createElement(name), { className: "wendo-disclosure", lang: language, textContent: text });
    let isSaid = false;
    const look = () => {
        for (const link of document.querySelectorAll("a[href]:not([data-wendo-earns])")) {
            if (!/^http/.test(link.protocol) || !rules.some((one) => one.test(normal(link)))) continue;
            link.dataset.wendoEarns = "";
            link.relList.add("sponsored", "nofollow");
            if (place === "each") {
                if (!says(link.parentNode.textContent)) link.after(" ", note("small"));
            } else if (!isSaid) {
                isSaid = true;
                if (says(before(link)) || says(link.parentNode.textContent)) continue;
                // Before the paragraph, list or table that the link stands in: a note inside of these would break them.
                let around = link;
                for (let one = link; one && one !== document.body; one = one.parentElement) if (one.matches("p,ul,ol,dl,table,figure,h1,h2,h3,h4,h5,h6")) around = one;
                around.before(note(around === link ? "small" : "p"));
            }
        }
    };
    look();
    new MutationObserver(look).observe(document.body, { childList: true, subtree: true });
};

fetch(ask.href, { credentials: "omit" })
    .then((answer) => (answer.ok ? answer.json() : { links: [] }))
    .then((told) => {
        if (!told.links.length) return;
        if (document.readyState === "loading") document.addEventListener("DOMContentLoaded", () => begin(told));
        else begin(told);
    })
    .catch(() => {});
