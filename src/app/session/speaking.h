// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "app/session/sound_output.h"
#include "devices/microphone.h"
#include "review/spoken.h"

#include <QImage>
#include <QPointF>
#include <map>

namespace deft {
class Library;
}

namespace deft::ui {

class ReviewSession;

/// Speaking over the reply clip of the review that is open: its pictures, the microphone, the pen, and what came of it.
class Speaking : public QObject {
    Q_OBJECT
public:
    static constexpr double kLongest_s = 90; ///< then the recording ends: a mail has to carry it

    /// @param microphone null = there is none
    Speaking(ReviewSession& session, Library& library, std::unique_ptr<Microphone> microphone,
             QObject* parent = nullptr);

    /// Makes the pictures, aside. Ends with changed(), or failed(). What was said before over the same ones is there.
    void prepare();
    bool isReady() const { return !pictures_.empty(); }
    const Progress& progress() const { return job_.progress(); }
    Microphone* microphone() { return microphone_.get(); }
    const QString& words() const { return words_; } ///< of the correction that is shown

    /// The key goes down: a new take begins, and the moment from its start.
    void start();
    void stop(); ///< the key comes up: the take is cut and levelled, aside
    bool isSpeaking() const { return speaking_; }
    bool isBeingCut() const { return cutting_.isRunning(); }
    /// Plays what was said, or the moment alone; again: stops.
    void play();
    bool isPlaying() const { return playing_; }
    double time_s() const; ///< since the take, or the playing of it, began

    void penDown(const QPointF& at); ///< shares of the picture
    void penMoved(const QPointF& at);

    QImage picture() const; ///< as it is shown now, with what is drawn
    bool hasTake() const { return !voice_.empty(); }
    double take_s() const { return soundSeconds(voice_); }
    const Spoken& spoken() const { return spoken_; }
    void discard(); ///< nothing has been said

    /// Into the answer. @param captions empty = none @errors WriteFailed
    Result<void> keep(const QString& captions);

signals:
    void changed();
    void level(double share); ///< of what is heard: 0 = silence, 1 = as loud as can be
    void failed(const QString& sentence);

private:
    struct Prepared;
    void hear(const Sound& samples);
    void endPlaying();

    ReviewSession& session_;
    Library& library_;
    std::unique_ptr<Microphone> microphone_;
    std::map<int64_t, QByteArray> pictures_; ///< frame of the clip → JPEG
    std::vector<int64_t> shown_;             ///< frame at each tick of one run
    double run_s_ = 1;
    QString words_;
    Spoken spoken_;
    Sound heard_, voice_;
    bool speaking_ = false, playing_ = false;
    QElapsedTimer clock_;
    QTimer tick_;
    SoundOutput output_;
    BackgroundJob job_, cutting_;
    mutable std::pair<int64_t, QImage> last_{-1, {}}; ///< decoded
};

} // namespace deft::ui
