using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Pravik.Data.Migrations
{
    /// <inheritdoc />
    public partial class Trusses : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Kind",
                table: "Members",
                type: "TEXT",
                nullable: false,
                defaultValue: "member");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Kind",
                table: "Members");
        }
    }
}
