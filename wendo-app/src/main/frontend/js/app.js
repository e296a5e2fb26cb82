// What lives for a moment on a page is Alpine's; htmx asks the server. Ribbon, finder and keys are modules of their own.
import Alpine from "@alpinejs/csp";
import "./address.js";
import "./finder.js";
import "./keys.js";
import "./once.js";
import "./ribbon.js";
import "./stays.js";
import { applies } from "./applies.js";
import { calendar } from "./calendar.js";
import { colour } from "./colour.js";
import { copier } from "./copy.js";
import { filter } from "./filter.js";
import { fold } from "./fold.js";
import { mirror } from "./mirror.js";
import { passkey } from "./passkey.js";
import { pays } from "./pays.js";
import { reveals } from "./reveals.js";
import { ticks } from "./ticks.js";
import { zone } from "./zone.js";

// What is only of use without script goes away; it stays where scripts are off, and where they did not load.
document.documentElement.classList.add("scripted");

Alpine.data("applies", applies);
Alpine.data("calendar", calendar);
Alpine.data("colour", colour);
Alpine.data("copier", copier);
Alpine.data("filter", filter);
Alpine.data("fold", fold);
Alpine.data("mirror", mirror);
Alpine.data("reveals", reveals);
Alpine.data("passkey", passkey);
Alpine.data("pays", pays);
Alpine.data("ticks", ticks);
Alpine.data("zone", zone);
Alpine.start();

document.addEventListener("click", (event) => {
    if (event.target.closest("[data-print]")) window.print();
});
