// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/print_pages.h"

#include <QPainter>
#include <memory>
#include <poppler-qt6.h>

namespace deft::ui {
namespace {

constexpr int kResolution_dpi = 300; // of the pictures that go to the printer

} // namespace

Result<void> printPages(const std::filesystem::path& pdf, QPrinter& printer) {
    const std::unique_ptr<Poppler::Document> pages = Poppler::Document::load(QString::fromStdString(pdf.string()));
    if (!pages || pages->isLocked() || pages->numPages() == 0)
        return fail(Errc::NotReadable, {"{file} cannot be printed: it has no page", {{"file", pdf.string()}}});
    pages->setRenderHint(Poppler::Document::Antialiasing);
    pages->setRenderHint(Poppler::Document::TextAntialiasing);
    printer.setResolution(kResolution_dpi);
    std::unique_ptr<QPainter> painter; // begins once the first page's way up is known
    for (int i = 0; i < pages->numPages(); ++i) {
        const std::unique_ptr<Poppler::Page> page(pages->page(i));
        const QSizeF size = page->pageSizeF(); // points
        printer.setPageOrientation(size.width() > size.height() ? QPageLayout::Landscape : QPageLayout::Portrait);
        if (!painter)
            painter = std::make_unique<QPainter>();
        else
            printer.newPage();
        if (!painter->isActive() && !painter->begin(&printer))
            return fail(Errc::WriteFailed, {"the printer {name} does not answer", {{"name", printer.printerName().toStdString()}}});
        const QRectF paper = printer.pageRect(QPrinter::DevicePixel);
        const double scale = std::min(paper.width() / size.width(), paper.height() / size.height());
        const QImage image = page->renderToImage(72 * scale, 72 * scale);
        painter->drawImage(QRectF(QPointF((paper.width() - image.width()) / 2, 0), QSizeF(image.size())), image);
    }
    return painter->end() ? Result<void>() : fail(Errc::WriteFailed, "the printer did not take the pages");
}

} // namespace deft::ui
