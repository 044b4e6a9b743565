namespace Kalypto.Web.Models;

/// <summary>A layer in the ledger of changes.</summary>
/// <param name="Key">Names it on the page.</param>
/// <param name="Group">What it is told under: asked, changed, moved, renamed, new, gone or likely.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Sentence">What is different and why both are taken for the same.</param>
/// <param name="Layer">Its ordinal in the draft that holds; null for one that is gone.</param>
/// <param name="Before">Its picture before; null for a new one.</param>
/// <param name="Now">Its picture now; null for one that is gone.</param>
/// <param name="Screen">The place of its screen in the list; -1 for none.</param>
/// <param name="ScreenName">The name of it.</param>
/// <param name="Decision">What becomes of it.</param>
/// <param name="Files">The files that come of it, in words.</param>
/// <param name="NewName">The name in the drawing that its files could take; null for none.</param>
/// <param name="IsLikely">True when it was carried over and ought to be looked at.</param>
/// <param name="Box">Where it lies on its screen, in shares of its sides; null for nowhere.</param>
/// <param name="Link">Where to work on it.</param>
/// <param name="Lineage">Names what is gone and was decided on, so that a layer of this draft can take its decision over; null for anything else.</param>
public sealed record ChangeRow(
    string Key, string Group, string Name, string Sentence, int? Layer, string? Before, string? Now, int Screen, string ScreenName, string Decision, string Files,
    string? NewName, bool IsLikely, double[]? Box, string? Link, int? Lineage);
