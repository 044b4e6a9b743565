namespace Kalypto.Core.Exporting;

/// <summary>Why a layer cannot be drawn of Android's vectors.</summary>
/// <param name="Why">The reason, as the end of a sentence: <c>it has a blur or shadow</c>.</param>
/// <param name="IsText">True when texts alone stand in the way, which outlines mend.</param>
public sealed record VectorRefusal(string Why, bool IsText = false);
