namespace Kalypto.Drawing;

/// <summary>A document that could not be drawn. The message is a sentence for people.</summary>
public sealed class RenderingFailedException(string message) : Exception(message);
