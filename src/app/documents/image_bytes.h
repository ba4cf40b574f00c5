// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QBuffer>
#include <QImage>

namespace deft::ui {

/// An image as the bytes of a file. @param format "JPG" or "PNG" @param quality of JPEG, 0 to 100; −1 = Qt's own
inline QByteArray imageBytes(const QImage& image, const char* format, int quality = -1) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format, quality);
    return bytes;
}

} // namespace deft::ui
