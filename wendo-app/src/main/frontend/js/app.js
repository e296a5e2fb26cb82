import "./copy.js";
import "./keys.js";
import "./ribbon.js";
import "./once.js";

// What is only of use while no script runs goes away, also where scripts are allowed but did not load.
document.documentElement.classList.add("scripted");
