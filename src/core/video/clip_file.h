// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The only way from a file to libav: included by the video sources only.

#include "base/result.h"
#include "video/av.h"

#include <filesystem>

namespace deft {

/// A clip's file as libav reads it. The bytes come through a descriptor of our own, so that neither the file's name nor
/// what stands in it (a playlist, a reference to another file) can make libav open anything else; only the containers
/// and codecs of phones, cameras and messengers are let through.
class ClipFile {
public:
    /// @errors NotFound, NotReadable (a link, folder, pipe or device), BadFormat (no clip, or cut off), Unsupported
    static Result<ClipFile> open(const std::filesystem::path& path);
    ClipFile(ClipFile&&) noexcept;
    ClipFile& operator=(ClipFile&&) noexcept;
    ~ClipFile();

    AVFormatContext* context() const { return input_.get(); }

private:
    struct Bytes;
    ClipFile();
    std::unique_ptr<Bytes> bytes_; // ends after what reads from it
    av::Input input_;
};

/// The largest side of an upright picture, and the smallest, px. Larger is no phone's; smaller shows no body.
constexpr int kMostSide_px = 8192, kLeastSide_px = 16;

/// May decoders open this codec? By libav's name of the decoder.
bool isKnownDecoder(const char* name);

} // namespace deft
