// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/printed_page.h"

#include <QProcess>
#include <QString>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFWriter.hh>
#include <regex>

namespace deft::ui {
namespace {

std::vector<std::string> alternativeTexts(const std::string& html) {
    static const std::regex image("<img alt=\"([^\"]*)\"");
    std::vector<std::string> texts;
    for (std::sregex_iterator it(html.begin(), html.end(), image), end; it != end; ++it) {
        QString text = QString::fromStdString((*it)[1].str());
        for (const auto& [entity, sign] : {std::pair{"&lt;", "<"}, {"&gt;", ">"}, {"&quot;", "\""}, {"&amp;", "&"}})
            text.replace(QLatin1String(entity), QLatin1String(sign));
        texts.push_back(text.toStdString());
    }
    return texts;
}

using Object = QPDFObjectHandle;

bool is(Object element, const char* kind) {
    return element.isDictionary() && element.hasKey("/S") && element.getKey("/S").isNameAndEquals(kind);
}

std::vector<Object> kidsOf(Object element) {
    Object kids = element.isDictionary() ? element.getKey("/K") : Object();
    if (!kids.isInitialized()) return {};
    return kids.isArray() ? kids.getArrayAsVector() : std::vector<Object>{kids};
}

/// In our page a <div> holds pictures and nothing else does: each of its kids is a <figure>, and the element in that
/// its caption.
void tellPictures(Object element, std::vector<std::string>& texts, size_t& next, int depth = 0) {
    constexpr int kDeepest = 50;
    if (depth > kDeepest) return;
    for (Object kid : kidsOf(element)) {
        if (!kid.isDictionary() || !kid.hasKey("/S")) continue;
        if (is(element, "/Div") && is(kid, "/NonStruct")) {
            kid.replaceKey("/S", Object::newName("/Figure"));
            if (next < texts.size()) kid.replaceKey("/Alt", Object::newUnicodeString(texts[next++]));
            for (Object caption : kidsOf(kid))
                if (is(caption, "/NonStruct")) caption.replaceKey("/S", Object::newName("/Caption"));
        } else {
            tellPictures(kid, texts, next, depth + 1);
        }
    }
}

/// WeasyPrint tags headings, lists and paragraphs, but leaves the pictures' texts out.
std::string withAlternativeTexts(const std::string& pdf, std::vector<std::string> texts) {
    QPDF document;
    document.setSuppressWarnings(true);
    document.processMemoryFile("page", pdf.data(), pdf.size());
    size_t next = 0;
    if (Object tree = document.getRoot().getKey("/StructTreeRoot"); tree.isDictionary())
        tellPictures(tree, texts, next);
    QPDFWriter writer(document);
    writer.setOutputMemory();
    writer.setDeterministicID(true);
    writer.write();
    const auto buffer = writer.getBufferSharedPointer();
    return std::string(reinterpret_cast<const char*>(buffer->getBuffer()), buffer->getSize());
}

} // namespace

Result<std::string> printedPage(const std::string& html) {
    constexpr int kStart_ms = 10'000, kPrint_ms = 120'000;
    QProcess printer;
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    environment.insert(QStringLiteral("SOURCE_DATE_EPOCH"), QStringLiteral("0"));
    printer.setProcessEnvironment(environment);
    printer.start(QStringLiteral("weasyprint"), {QStringLiteral("--quiet"), QStringLiteral("--pdf-variant"),
                                                 QStringLiteral("pdf/ua-1"), QStringLiteral("-"), QStringLiteral("-")});
    if (!printer.waitForStarted(kStart_ms))
        return fail(Errc::Unsupported,
                    "the page cannot be printed: the program weasyprint is not installed; write it as "
                    "a page (.html) instead, or install it");
    printer.write(html.data(), qint64(html.size()));
    printer.closeWriteChannel();
    if (!printer.waitForFinished(kPrint_ms) || printer.exitCode() != 0) {
        printer.kill();
        printer.waitForFinished();
        return fail(Errc::Unsupported,
                    {"the page could not be printed ({why})",
                     {{"why", printer.readAllStandardError().simplified().right(200).toStdString()}}});
    }
    try {
        return withAlternativeTexts(printer.readAllStandardOutput().toStdString(), alternativeTexts(html));
    } catch (const std::exception& e) {
        return fail(Errc::Unsupported, {"the page could not be printed ({why})", {{"why", e.what()}}});
    }
}

} // namespace deft::ui
