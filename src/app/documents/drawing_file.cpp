// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/drawing_file.h"

#include "base/files.h"

#include <QBuffer>
#include <QImage>
#include <QPageSize>
#include <QPdfWriter>
#include <QSvgGenerator>

namespace deft::ui {

Result<void> writeDrawing(const std::filesystem::path& path, const QSize& size, const QString& title,
                          const std::function<void(QPainter&)>& draw) {
    const std::string kind = path.extension().string();
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    auto onto = [&](QPaintDevice& device) {
        QPainter p(&device);
        p.setRenderHint(QPainter::Antialiasing);
        draw(p);
    };
    if (kind == ".png") {
        QImage image(size, QImage::Format_RGB32);
        image.fill(Qt::white);
        onto(image);
        image.save(&buffer, "PNG");
    } else if (kind == ".svg") {
        QSvgGenerator svg;
        svg.setOutputDevice(&buffer);
        svg.setSize(size);
        svg.setViewBox(QRect(QPoint(), size));
        svg.setTitle(title);
        onto(svg);
    } else if (kind == ".pdf") {
        QPdfWriter pdf(&buffer);
        pdf.setResolution(96);
        pdf.setTitle(title);
        pdf.setPageSize(QPageSize(QSizeF(size) / 96 * 25.4, QPageSize::Millimeter));
        pdf.setPageMargins({});
        onto(pdf);
    } else {
        return fail(Errc::Unsupported, {"{file}: end the name in one of {known}",
                                        {{"file", path.string()}, {"known", ".png, .svg, .pdf"}}});
    }
    const QByteArray bytes = buffer.data();
    return writeFileAtomically(path, std::string_view(bytes.constData(), size_t(bytes.size())));
}

} // namespace deft::ui
