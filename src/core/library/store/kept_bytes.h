// SPDX-License-Identifier: GPL-3.0-or-later
// What a step keeps to be taken back, without the pictures that were in the file: these lie once in the store
// of pictures, however many files held them.
#pragma once

#include <string>
#include <vector>

#include "core/files/steps.h"
#include "core/library/picture_store.h"

namespace moorfrost::library {

struct KeptBytes {
    std::string rest;
    std::string pictures; // where they were cut out, as text (JSON); "" where none were
};

/// The bytes that the step keeps (StepRecord::undo.fresh). Pictures that went from the file are found by
/// their checksum and put into the store; one that cannot be kept there stays in the rest.
KeptBytes withoutPictures(const files::StepRecord& record, const PictureStore& store);
/// The whole again. Where a picture is not there any more, something else: what is made of it is not what it
/// should be, which is found out before anything is changed.
std::string withPictures(KeptBytes kept, const PictureStore& store);
/// The names of those that were cut out.
std::vector<std::string> picturesKeptOutside(const std::string& pictures);

} // namespace moorfrost::library
