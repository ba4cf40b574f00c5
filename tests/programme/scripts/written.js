// SPDX-License-Identifier: GPL-3.0-or-later
press("Begin");
const shown = text();
pass(1);
let reached = "no";
try { await fetch("https://example.invalid/"); reached = "yes"; } catch (e) { reached = String(e); }
let refused = 0;
document.addEventListener("securitypolicyviolation", () => ++refused);
document.body.append(Object.assign(new Image(), { src: "http://example.invalid/x.png" }));
await really(1);
tell({ shown, hit: window.hit || 0, images: document.querySelectorAll("main img").length, refused, reached });
