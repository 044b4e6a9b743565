namespace Kalypto.Core.Designs;

/// <summary>A rectangle of a drawing that is one screen of the product.</summary>
/// <param name="Name">Its name, unique in its design.</param>
/// <param name="Box">Where it lies, in drawing units.</param>
/// <param name="Root">The layer that stands for the whole screen.</param>
public sealed record Screen(string Name, Box Box, Layer Root);
