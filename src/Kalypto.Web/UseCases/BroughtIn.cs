namespace Kalypto.Web.UseCases;

/// <summary>What became of one file.</summary>
/// <param name="File">Its name.</param>
/// <param name="Design">The number of the design it became; null when it was refused.</param>
/// <param name="Message">What was read, or why it was refused and what to do.</param>
public sealed record BroughtIn(string File, int? Design, string Message);
