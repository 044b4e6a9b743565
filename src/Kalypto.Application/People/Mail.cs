namespace Kalypto.Application.People;

/// <summary>A mail.</summary>
/// <param name="To">The address that it goes to.</param>
/// <param name="Subject">What it is about.</param>
/// <param name="Text">What it says, as plain text.</param>
/// <param name="At">When it was sent.</param>
public sealed record Mail(string To, string Subject, string Text, DateTimeOffset At);
