import "./copy.js";
import "./keys.js";
import "./ribbon.js";
import "./once.js";
