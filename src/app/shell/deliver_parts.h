// SPDX-License-Identifier: GPL-3.0-or-later
// The page of Deliver with all its ways, each with the controllers that it uses.
#pragma once

namespace moorfrost::app {

class Controllers;
class DeliverPage;

DeliverPage* makeDeliverPage(Controllers& c);

} // namespace moorfrost::app
