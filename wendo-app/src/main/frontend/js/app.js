import "./copy.js";
import "./keys.js";
import "./ribbon.js";
import "./once.js";
import "./tick.js";
import "./finder.js";

// What is only of use without script goes away; it stays where scripts are off, and where they did not load.
document.documentElement.classList.add("scripted");
