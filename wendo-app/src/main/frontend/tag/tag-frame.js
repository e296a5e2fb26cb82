// On the page that an ad desk's script is shut up on: tells the page around it that the script could not be loaded.
addEventListener("error", ({ target }) => target.src && parent.postMessage("wendo-tag-failed", "*"), true);
