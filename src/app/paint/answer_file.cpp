#include "app/paint/answer_file.h"

#include "app/theme/palette.h"

#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QImage>
#include <QPageSize>
#include <QPdfWriter>
#include <QTextCursor>
#include <QTextDocument>
#include <QTextTable>

namespace deft::ui {
namespace {

constexpr int kDpi = 96; // the typeface is sized in pixels of the screen
constexpr double kMargin_mm = 18, kWidth_px = (210 - 2 * kMargin_mm) / 25.4 * kDpi;

QImage imageOf(const PictureData& data) {
    return QImage::fromData(QByteArray::fromBase64(QByteArray::fromStdString(data.base64)));
}

/// Pictures side by side with their captions under them.
void insertPictures(QTextCursor& cursor, const AnswerPart& part, const PictureMaker& pictures) {
    std::vector<std::pair<QImage, const AnswerPicture*>> made;
    for (const AnswerPicture& p : part.pictures)
        if (const QImage image = pictures ? imageOf(pictures(p)) : QImage(); !image.isNull())
            made.emplace_back(image, &p);
    if (made.empty()) return;
    QTextTableFormat format;
    format.setBorder(0);
    format.setCellPadding(0);
    format.setCellSpacing(8);
    format.setPageBreakPolicy(QTextFormat::PageBreak_Auto);
    QTextTable* table = cursor.insertTable(2, int(made.size()), format);
    const double width = kWidth_px / double(std::max<size_t>(2, made.size())) - 16;
    for (size_t k = 0; k < made.size(); ++k) {
        const auto& [image, picture] = made[k];
        QTextImageFormat shown;
        const QString name = QStringLiteral("picture-%1-%2").arg(QString::fromStdString(part.id)).arg(k);
        cursor.document()->addResource(QTextDocument::ImageResource, QUrl(name), image);
        shown.setName(name);
        shown.setWidth(width);
        shown.setHeight(width * image.height() / image.width());
        table->cellAt(0, int(k)).firstCursorPosition().insertImage(shown);
        QTextCharFormat small;
        small.setFont(face(Size::Small, QFont::Medium));
        table->cellAt(1, int(k)).firstCursorPosition().insertText(QString::fromStdString(picture->caption), small);
    }
    cursor.movePosition(QTextCursor::End);
}

} // namespace

QByteArray answerPdf(const Answer& answer, const PictureMaker& pictures) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setResolution(kDpi);
    writer.setPageMargins(QMarginsF(kMargin_mm, kMargin_mm, kMargin_mm, kMargin_mm), QPageLayout::Millimeter);
    writer.setTitle(QString::fromStdString(answer.exerciseName));
    writer.setCreator(QStringLiteral("Deft Mirror"));

    QTextDocument document;
    document.documentLayout()->setPaintDevice(&writer);
    document.setDefaultFont(face(Size::Body));
    document.setDocumentMargin(0);
    document.setPageSize(QSizeF(writer.width(), writer.height()));
    QTextCursor cursor(&document);
    QTextBlockFormat paragraph;
    paragraph.setTopMargin(4);
    paragraph.setBottomMargin(6);
    paragraph.setLineHeight(130, QTextBlockFormat::ProportionalHeight);
    cursor.setBlockFormat(paragraph);
    QTextCharFormat strong, small;
    strong.setFont(face(Size::Large, QFont::DemiBold));
    small.setFont(face(Size::Small));
    cursor.insertText(QString::fromStdString(answer.exerciseName), strong);
    int number = 0;
    for (const AnswerPart& part : answer.parts) {
        if (!part.sent) continue;
        cursor.insertBlock(paragraph, QTextCharFormat());
        cursor.insertText((isCorrection(part) ? QStringLiteral("%1. ").arg(++number) : QString()) +
                          QString::fromStdString(part.text));
        insertPictures(cursor, part, pictures);
    }
    cursor.insertBlock(paragraph, small);
    cursor.insertText(QString::fromUtf8(kScopeNote) + QLatin1Char('\n') + QString::fromStdString(footnote(answer)));
    document.print(&writer);
    return bytes;
}

Result<std::string> answerIn(const std::string& form, const Answer& answer, const Correspondents& who,
                             const PictureMaker& pictures) {
    if (form == "html") return answerHtml(answer, pictures);
    if (form == "pdf") return answerPdf(answer, pictures).toStdString();
    if (form == "text") return answerText(answer);
    if (form == "eml") return answerMail(answer, who, pictures);
    return fail(Errc::Unsupported, "\"" + form + "\" is no form of an answer: html, pdf, text or eml");
}

} // namespace deft::ui
