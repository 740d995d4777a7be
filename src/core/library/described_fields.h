// SPDX-License-Identifier: GPL-3.0-or-later
// The custom fields that were described in a library.
#pragma once

#include <string>
#include <vector>

namespace moorfrost::library {

class Store;

/// Tells the table of fields (tags/custom_fields) those of this library. What cannot be read are none; why is
/// in the log, and it stays as it is.
void defineFieldsOf(Store& store);
/// Names that mean something else in plans and in searches, in lower case.
std::vector<std::string> reservedNames();

} // namespace moorfrost::library
