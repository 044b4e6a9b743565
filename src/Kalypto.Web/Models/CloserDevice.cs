namespace Kalypto.Web.Models;

/// <summary>A screen of some density with the file that it takes.</summary>
/// <param name="Density">px per pt: 1, 2 or 3.</param>
/// <param name="File">The file; null when the picture has none that a browser shows.</param>
/// <param name="IsEnlarged">True when the file has fewer pixels than the screen.</param>
/// <param name="IsSharp">True for a file of shapes.</param>
public sealed record CloserDevice(int Density, DetailFile? File, bool IsEnlarged, bool IsSharp);
