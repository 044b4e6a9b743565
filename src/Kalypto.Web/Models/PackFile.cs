namespace Kalypto.Web.Models;

/// <summary>A file on the pack page.</summary>
/// <param name="File">The file.</param>
/// <param name="Home">The folder that it is looked for in.</param>
/// <param name="Layer">The name of its picture.</param>
/// <param name="Of">What tells its picture from others.</param>
/// <param name="Link">The row of the layer on the bench.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Screen">The screen it is on.</param>
/// <param name="Findings">How many findings its layer has.</param>
public sealed record PackFile(DetailFile File, string Home, string Layer, string Of, string Link, string Kind, string Screen, int Findings);
