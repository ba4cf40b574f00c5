// Only the precompiled headers that the tests share; see cmake/DeftTargets.cmake.
