// SPDX-License-Identifier: GPL-3.0-or-later
const small = [], nameless = [];
const look = () => {
  for (const b of buttons()) {
    const box = b.getBoundingClientRect();
    if (box.height < 44) small.push(b.textContent + " " + box.height);
    if (!b.textContent.trim()) nameless.push(b.outerHTML);
  }
};
const wide = () => document.documentElement.scrollWidth - document.documentElement.clientWidth;
let over = 0;
look(); over += wide();
press("Begin"); look(); over += wide();
press("Start"); look(); over += wide();
pass(30); look(); over += wide();
press("Something hurts"); look(); over += wide();
const labels = [...document.querySelectorAll("textarea")].every((t) => t.labels.length || t.getAttribute("aria-label"));
tell({ small, nameless, over, labels, status: document.querySelectorAll("[role=status]").length });
