namespace Kalypto.Core.Styling;

/// <summary>Words of one line that are set alike.</summary>
/// <param name="Words">The words, with the spaces that count.</param>
/// <param name="Type">How they are set.</param>
/// <param name="Fill">What they are painted with; null for nothing.</param>
public sealed record TextRun(string Words, TypeStyle Type, Fill? Fill);
