// SPDX-License-Identifier: GPL-3.0-or-later
// Reading all that a file says of itself, and preparing a change of its tags without touching it. Safe to
// call from several threads at once, for different files.
#pragma once

#include <memory>

#include "core/audio/essence.h"
#include "core/base/recipe.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

/// Everything about one file. An error (with a sentence) where nothing can be said about it; what can be read
/// of a damaged file comes back with `damaged` set.
Result<TagFile> readTags(const Path& path);

/// The pictures in the file, with their bytes.
Result<std::vector<Picture>> readPictures(const Path& path);

/// A changed file that exists only in memory.
struct PreparedEdit {
    std::shared_ptr<FileSource> original;
    Recipe recipe; // how the changed file is made of it
    CommitClass how = CommitClass::Nothing;
    audio::Format format = audio::Format::Unknown;
    bool ofDamaged = false; // the file is cut short, and was to be written all the same
    Fields before;          // with the pictures, each under the key of its type
    Fields after;
    std::vector<std::string> notes; // sentences: what had to be stored otherwise than before

    /// The whole changed file.
    std::string bytes() const;
};

/// Whether a file that is cut short may be written to, where its sound can be shown to be untouched.
enum class Damage { Refuse, Allow };

/// What a change of some fields did to a file besides, in words ("the pictures", "Artist"): nothing, if it
/// did just what was asked. `before` and `after` are whole files of this format. Of the sound nothing is
/// said.
std::vector<std::string> harmOf(const ByteSource& before, const ByteSource& after, audio::Format format,
                                const Fields& changes);

/// Where pictures that are to be added are kept: tags/kept_pictures; "" where none are.
using PictureFolder = Path;

/// The first part of prepareEdit, all that parses tags: the result has been read back and holds the fields as
/// asked. Nothing is known of the sound yet.
Result<PreparedEdit> makeEdit(const Path& path, const Fields& changes, Damage damage = Damage::Refuse,
                              const PictureFolder& pictures = {});

/// The second part: works out how the edit can be carried out, and shows by the bytes, without any parser of
/// tags, that the sound is the same. Safe with an edit from anywhere.
Status confirm(PreparedEdit& edit);

/// Prepares `changes` (an empty list blanks the field, or takes away the pictures of a type; see
/// tags/picture_changes). The result has been read back: the changed fields are
/// as asked, every part of the tags that carries none of them is byte for byte as before, and the sound is
/// the same; otherwise an error says what would be lost.
Result<PreparedEdit> prepareEdit(const Path& path, const Fields& changes, Damage damage = Damage::Refuse,
                                 const PictureFolder& pictures = {});

/// `fields` with `changes` put in.
Fields applied(Fields fields, const Fields& changes);

} // namespace moorfrost::tags
