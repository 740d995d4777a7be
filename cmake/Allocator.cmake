# The allocator of the programs: reading tags, planning and searching are mostly many small pieces of memory,
# which this one hands out in half the time. Named by its file: nothing of ours includes its headers.
find_package(mimalloc 2 REQUIRED)
add_library(moorfrost_allocator INTERFACE)
if(NOT MOORFROST_SANITIZE)
  # It is used without being named.
  target_link_libraries(moorfrost_allocator INTERFACE -Wl,--push-state,--no-as-needed $<TARGET_FILE:mimalloc> -Wl,--pop-state)
endif()
