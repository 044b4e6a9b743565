namespace Kalypto.Application.Places;

/// <summary>A folder cannot be a place, or not be delivered to.</summary>
/// <param name="message">What is wrong, in a sentence with what to do.</param>
public sealed class PlaceRefusedException(string message) : Exception(message);
