using Kalypto.Core.Fonts;

namespace Kalypto.Application.Desk;

/// <summary>A drawing that is asked for.</summary>
/// <param name="Draft">The draft.</param>
/// <param name="Arrangement">How it is arranged; empty as the file has it.</param>
/// <param name="Fonts">The fonts of the project that it is drawn with; null for as it was last measured, where nothing is drawn of it.</param>
public sealed record WantedDrawing(int Draft, string Arrangement, FontBook? Fonts);
